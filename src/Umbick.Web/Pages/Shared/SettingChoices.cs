using Umbick.Core.Teaching;

namespace Umbick.Web.Pages;

/// <summary>Settings as a form shows them.</summary>
/// <param name="Chosen">The id of what is chosen for each setting; null where the school's choice holds.</param>
/// <param name="School">The school's preferences, where the form is a child's; null on the school's own.</param>
/// <param name="Holds">What holds by both.</param>
public sealed record SettingChoices(IReadOnlyDictionary<Setting, string?> Chosen, TeachingPreferences? School, TeachingPreferences Holds)
{
    /// <summary>What a school has chosen, with the usual choice for all the rest.</summary>
    public static SettingChoices OfSchool(TeachingPreferences preferences) =>
        new(SettingList.All.ToDictionary(setting => setting, setting => (string?)preferences[setting]), null, preferences);

    /// <summary>What is chosen for a child over their school.</summary>
    public static SettingChoices OfChild(TeachingPreferences school, TeachingPreferences child) =>
        new(SettingList.All.ToDictionary(setting => setting, child.ForChild), school, child);

    /// <summary>The choices of a form that was sent; what is no choice of a setting is left aside.</summary>
    public static IReadOnlyDictionary<string, string> Read(IFormCollection form) => SettingList.All
        .Select(setting => (setting.Id, Choice: form[$"set-{setting.Id}"].ToString(), setting))
        .Where(each => each.setting.Has(each.Choice))
        .ToDictionary(each => each.Id, each => each.Choice);
}
