using System.Text.Json;
using System.Text.RegularExpressions;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Teaching;

/// <summary>What a family is told of one idea. It has no pattern's name and no finding.</summary>
/// <param name="Idea">The idea, in a sentence or two.</param>
/// <param name="Say">What to ask first.</param>
/// <param name="OldWay">What to ask when the child gives the old way.</param>
public sealed record HomeIdea(string Idea, string Say, string OldWay);

/// <summary>The texts of a page for the family in one language, as a file has them.</summary>
/// <param name="Tag">The language's tag, as browsers know it: <c>cy</c>.</param>
/// <param name="Name">What its speakers call it.</param>
/// <param name="IsRightToLeft">Whether it is written from right to left.</param>
/// <param name="CheckedBy">Who has checked it.</param>
/// <param name="Texts">The texts, by key.</param>
public sealed partial record HomeLanguage(
    string Tag, string Name, bool IsRightToLeft, string CheckedBy, IReadOnlyDictionary<string, string> Texts)
{
    /// <summary>The longest a text may be, in signs.</summary>
    public const int LongestText = 300;

    /// <summary>The longest a name may be, in signs.</summary>
    public const int LongestName = 60;

    private const string EnglishFile = "en-GB.json";

    /// <summary>The file that ships, from which others are made.</summary>
    public static string EnglishText { get; } = ReadEnglish();

    // Before the language that ships, which is read by it.
    private static readonly HashSet<string> Keys =
        [.. JsonSerializer.Deserialize<FileOfTexts>(EnglishText, JsonSerializerOptions.Web)!.Texts!.Keys];

    /// <summary>The language that ships.</summary>
    public static HomeLanguage English { get; } = Read(EnglishText).Language!;

    /// <summary>Whether a text has letters that the font of the pages does not have: the device's own stands in.</summary>
    public bool HasOtherLetters => Texts.Values.Append(Name).Any(text => OtherLetters().IsMatch(text));

    /// <summary>A text.</summary>
    /// <exception cref="KeyNotFoundException">There is no such key.</exception>
    public string this[string key] => Texts[key];

    /// <summary>The idea of a step of reading, with past and to as the class says them.</summary>
    public HomeIdea For(Step step, Wording wording)
    {
        var key = step switch
        {
            Step.Hands or Step.Minutes or Step.PastOrTo or Step.Fractions or Step.Writing or Step.Placing => step.NameInFiles(),
            Step.Setting => Step.Placing.NameInFiles(),
            _ => Step.Hour.NameInFiles(),
        };
        return new HomeIdea(wording.Fill(Texts[$"{key}.idea"]), wording.Fill(Texts[$"{key}.say"]), wording.Fill(Texts[$"{key}.old-way"]));
    }

    /// <summary>Whether the child draws the hands at home; else the grown-up draws them, and the child tells the time.</summary>
    public static bool ChildDraws(Step step) => step is Step.Placing or Step.Setting;

    /// <summary>A time as it stands on the page: in words only in English, whose words are the class's own.</summary>
    public string Told(ClockTime time, Step step, Wording wording) => Tag == English.Tag && step is (Step.PastOrTo or Step.Fractions)
        ? wording.Words(time) : wording.Digital(time);

    /// <summary>The old way as it stands on the page; null where it is no time, or the child draws.</summary>
    public string? OldWay(Answer? answer, Step step, Wording wording) => ChildDraws(step) ? null
        : answer switch
        {
            // Figures as the child would write them: 9:5 means 9:05.
            DigitalAnswer figures => figures.Short(wording),
            { Meaning: { } time } => Told(time, step, wording),
            _ => null,
        };

    /// <summary>Reads a file of a language.</summary>
    /// <returns>The language; else what is wrong with the file, in sentences.</returns>
    public static (HomeLanguage? Language, IReadOnlyList<string> Faults) Read(string json)
    {
        FileOfTexts? file;
        try
        {
            file = JsonSerializer.Deserialize<FileOfTexts>(json, JsonSerializerOptions.Web);
        }
        catch (JsonException)
        {
            return (null, ["It is no JSON. Begin with the English file, and change only what stands on the right."]);
        }
        if (file?.Texts is null) return (null, ["It has no texts. Begin with the English file."]);
        List<string> faults = [];
        if (!TagOf().IsMatch(file.Language ?? "")) faults.Add("“language” is to be a language’s tag: cy, pl, ur.");
        if (file.Name is not { Length: > 0 and <= LongestName }) faults.Add("“name” is to say what the language is called.");
        if (file.CheckedBy is not { Length: > 0 and <= LongestName }) faults.Add("“checkedBy” is to say who has checked the texts.");
        foreach (var key in Keys.Where(key => !file.Texts.ContainsKey(key))) faults.Add($"“{key}” is missing.");
        foreach (var (key, text) in file.Texts)
        {
            if (!Keys.Contains(key)) faults.Add($"“{key}” is no key.");
            else if (text is not { Length: > 0 and <= LongestText })
                faults.Add($"“{key}” is to have a text of {LongestText} signs at most.");
            else if (key is "day" or "old-way" && !text.Contains(key == "day" ? "{day}" : "{old}", StringComparison.Ordinal))
                faults.Add($"“{key}” is to have {(key == "day" ? "{day}" : "{old}")} in it.");
        }
        return faults.Count > 0 ? (null, faults)
            : (new HomeLanguage(file.Language!, file.Name!, file.Direction == "rtl", file.CheckedBy!, file.Texts), []);
    }

    private static string ReadEnglish()
    {
        using var file = new StreamReader(typeof(HomeLanguage).Assembly.GetManifestResourceStream(EnglishFile)!);
        return file.ReadToEnd();
    }

    [GeneratedRegex("^[a-z]{2,3}(-[A-Za-z0-9]{2,8}){0,2}$")]
    private static partial Regex TagOf();

    // Latin as the font's file has it, and what stands between letters.
    [GeneratedRegex("[^\u0000-\u00ff\u0152\u0153\u2000-\u206f\u20ac\u2122]")]
    private static partial Regex OtherLetters();

    private sealed record FileOfTexts(
        string? Language, string? Name, string? Direction, string? CheckedBy, Dictionary<string, string>? Texts);
}
