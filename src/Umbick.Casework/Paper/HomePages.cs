using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>Pages for home: one idea and three clocks in a family's language, and what the family told of them.</summary>
public sealed class HomePages(ReadingModel model, TimeProvider clock)
{
    /// <summary>What a family can tell of a day.</summary>
    public static IReadOnlyList<string> Told { get; } = ["easy", "with-help", "not-today"];

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>The languages there are, English first.</summary>
    public static async Task<IReadOnlyList<HomeLanguage>> Languages(SchoolConnection connection) =>
    [
        HomeLanguage.English,
        .. (await HomeLanguages.All(connection)).Select(texts => HomeLanguage.Read(texts).Language).OfType<HomeLanguage>()
            .Where(language => language.Tag != HomeLanguage.English.Tag),
    ];

    /// <summary>Adds a language from its file, or puts the file in the place of an earlier one.</summary>
    /// <returns>What is wrong with the file, in sentences; where nothing is, it was kept.</returns>
    public async Task<IReadOnlyList<string>> Add(SchoolConnection connection, string file, PersonId by)
    {
        var (language, faults) = HomeLanguage.Read(file);
        if (language is null) return faults;
        if (language.Tag == HomeLanguage.English.Tag) return ["English ships with Umbick, and stays as it is."];
        await HomeLanguages.Keep(connection, language.Tag, file, by, Now);
        return [];
    }

    /// <summary>Takes a language away.</summary>
    public static Task Remove(SchoolConnection connection, string tag) => HomeLanguages.Remove(connection, tag);

    /// <summary>A page for a child's pattern; null where the school has no such child.</summary>
    public async Task<HomePage?> Load(SchoolConnection connection, ChildId id, Pattern pattern, string? tag)
    {
        if (await ChildRecord.Load(connection, model, id) is not { } record) return null;
        var languages = await Languages(connection);
        var held = HeldPattern.From(model, pattern, record.Replay.Belief);
        return new HomePage(record.Child, pattern, languages.FirstOrDefault(language => language.Tag == tag) ?? languages[0], languages,
            HomeSet.Make(held, record.Child.Stage, record.EarlierSets.SeedFor(id.Value, pattern)),
            await HomeNotes.OfChild(connection, id));
    }

    /// <summary>Notes what the family told of a page's day; told again it is changed, and null takes it back.</summary>
    /// <returns>Whether the school has such a child.</returns>
    public async Task<bool> Note(SchoolConnection connection, ChildId id, DateOnly toldOn, int day, string? how, PersonId by)
    {
        if (await Children.Find(connection, id) is null) return false;
        await HomeNotes.Note(connection, id, toldOn, day, how, by, Now);
        return true;
    }
}

/// <summary>A page for home.</summary>
/// <param name="Child">Whose it is.</param>
/// <param name="Pattern">The pattern whose idea it is about; it stands nowhere on the page.</param>
/// <param name="Language">The language of its texts.</param>
/// <param name="Languages">All that there are.</param>
/// <param name="Clocks">Its clocks, a day each.</param>
/// <param name="Notes">What was told before, the latest first.</param>
public sealed record HomePage(CaseloadRow Child, Pattern Pattern, HomeLanguage Language, IReadOnlyList<HomeLanguage> Languages,
    IReadOnlyList<HomeClock> Clocks, IReadOnlyList<(DateOnly ToldOn, int Day, string How)> Notes);
