using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>The check forms that were held.</summary>
internal static class ChecksHeld
{
    /// <summary>How a check form came out; null where it is none, or nothing was answered in it.</summary>
    public static CheckHeld? Of(SittingRecord sitting)
    {
        var answered = sitting.Answered.ToList();
        return sitting.Sitting is { Form: { } form, Screening: null } && answered.Count > 0 ? new CheckHeld(form, sitting.Day, answered.Count(question => question.IsRight), answered.Count, sitting.Sitting.ExpectedRight) : null;
    }

    /// <summary>Those of some children, each child's the earliest first.</summary>
    public static async Task<ILookup<ChildId, CheckHeld>> Load(SchoolConnection connection, IReadOnlyList<Sitting> measures, Func<ChildId, TeachingPreferences> preferencesOf)
    {
        var forms = measures.Where(sitting => sitting.Form is not null).ToList();
        if (forms.Count == 0) return Array.Empty<(ChildId, CheckHeld)>().ToLookup(one => one.Item1, one => one.Item2);
        var (asked, answers) = await Sittings.RowsIn(connection, forms.Select(form => form.Id));
        return (from form in forms
                let check = Of(ChildRecord.Of(form, asked[form.Id], answers[form.Id], preferencesOf(form.Child)))
                where check is not null
                select (form.Child, Check: check)).ToLookup(one => one.Child, one => one.Check);
    }
}
