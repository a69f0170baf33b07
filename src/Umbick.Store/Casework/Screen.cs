using System.Data.Common;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;

namespace Umbick.Store.Casework;

/// <summary>One child of a screened class.</summary>
/// <param name="Child">The child.</param>
/// <param name="Sitting">Her sitting, with what is answered so far.</param>
/// <param name="Result">Where she belongs.</param>
public sealed record ScreenedChild(CaseloadRow Child, SittingRecord Sitting, ScreeningResult Result);

/// <summary>A class with its form and its children.</summary>
/// <param name="Screening">The screening.</param>
/// <param name="Items">The items of the form.</param>
/// <param name="Children">The children, in the order of the list.</param>
public sealed record ScreenedClass(Screening Screening, IReadOnlyList<Item> Items, IReadOnlyList<ScreenedChild> Children);

/// <summary>Screening a class: a short form for everyone, answered on screens or typed from paper.</summary>
public sealed class Screen(ReadingModel model, TimeProvider clock)
{
    /// <summary>The most children a class list may have.</summary>
    public const int MostChildren = 60;

    /// <summary>How many questions the form has.</summary>
    public const int Length = 8;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Starts a screening. A child who is known keeps her record; a new one is on the class's list only.</summary>
    /// <returns>The screening's id.</returns>
    public async Task<Guid> Start(DbConnection connection, Guid school, string title, Stage stage, IReadOnlyList<string> aliases)
    {
        var seed = 1 + (await Screenings.All(connection)).Count();
        var manner = new Manner(await Schools.Settings(connection));
        var form = new FixedForms(model).Make(stage, Length, seed, [.. ItemBank.AskedAloud.Where(task => manner.Uses(task, stage))])[0];
        var screening = new Screening { Id = Guid.CreateVersion7(clock.GetUtcNow()), Title = title, Stage = stage, Length = form.Items.Count, Form = form.Name, Seed = seed, StartedAt = Now };
        await Screenings.Add(connection, school, screening);
        var known = await Store.Children.ByAlias(connection, aliases);
        foreach (var (alias, turn) in aliases.Select((alias, turn) => (alias, turn)))
        {
            if (!known.TryGetValue(alias, out var child))
            {
                child = Guid.CreateVersion7(clock.GetUtcNow());
                await Store.Children.Add(connection, school, new Child(child, alias, stage), Now, onCaseload: false);
            }
            var sitting = new Sitting
            {
                Id = Guid.CreateVersion7(clock.GetUtcNow()),
                Child = child,
                Kind = Sitting.Asking,
                Stage = stage,
                Length = form.Items.Count,
                StartedAt = Now,
                Plan = Plans.Form,
                Way = Ways.Screen,
                Turn = turn,
                Screening = screening.Id,
            };
            await Sittings.Start(connection, school, sitting);
            await Sittings.Ask(connection, school, sitting.Id, form.Items.Select((item, i) => new Asked(i + 1, item, Support.Bare, "It stands in the class's form.")), Now);
        }
        return screening.Id;
    }

    /// <summary>Keeps one answer that was typed from paper; another answer in the same place puts it right, both stay.</summary>
    public async Task<Submitted> Enter(DbConnection connection, Guid school, Guid sittingId, Submission submission, Guid by)
    {
        if (await Sittings.Lock(connection, sittingId) is not { Screening: not null } sitting) return Submitted.NotFound;
        if (await Sittings.Answer(connection, sittingId, submission.Id) is { } before) return submission.IsSame(before) ? Submitted.KeptBefore : Submitted.OtherAnswerKept;
        if (submission.Place < 1 || submission.Place > sitting.Length) return Submitted.MovedOn;
        await Sittings.Add(connection, school, Asking.RowOf(sittingId, submission), by, Now);
        var answered = (await Sittings.AnswersIn(connection, [sittingId]))[sittingId].Select(answer => answer.Place).ToHashSet();
        var next = Enumerable.Range(1, sitting.Length).FirstOrDefault(place => !answered.Contains(place));
        if (next > 0)
        {
            await Sittings.MoveTo(connection, sittingId, next);
            return Submitted.Kept;
        }
        await Sittings.End(connection, sittingId, Now);
        var record = await ChildRecord.Load(connection, model, sitting.Child);
        await Marginals.Keep(connection, school, sittingId, record!);
        return Submitted.Kept;
    }

    /// <summary>A class with where each child belongs; null where the school has no such screening.</summary>
    public async Task<ScreenedClass?> Load(DbConnection connection, Guid id)
    {
        if (await Screenings.Find(connection, id) is not { } screening) return null;
        var sittings = await Sittings.OfScreening(connection, id);
        var ids = sittings.Select(sitting => sitting.Id).ToList();
        var asked = await Sittings.AskedIn(connection, ids);
        var answers = await Sittings.AnswersIn(connection, ids);
        var rows = (await Store.Children.Of(connection, sittings.Select(sitting => sitting.Child))).ToDictionary(row => row.Id);
        var children = sittings.Select(sitting => Sorted(rows[sitting.Child], ChildRecord.Of(sitting, asked[sitting.Id], answers[sitting.Id], rows[sitting.Child].Manner))).ToList();
        return new ScreenedClass(screening, [.. asked[ids[0]].Select(one => one.Item)], children);
    }

    /// <summary>What the form alone says: a child is sorted by what the class was asked, whatever else is known of her.</summary>
    private ScreenedChild Sorted(CaseloadRow child, SittingRecord sitting)
    {
        var answered = sitting.Answered.ToList();
        var belief = new Belief(model);
        var observed = Observed.All(model, answered.Select(ChildRecord.AsGiven));
        foreach (var observation in observed.SelectMany(one => one.Observations)) belief.Observe(observation);
        var result = ScreeningResult.Of(sitting.Sitting.Length, answered.Count, answered.Count(question => question.IsRight), Conclusion.Of(model, belief, observed), child.Manner.Wording);
        return new ScreenedChild(child, sitting, result);
    }
}
