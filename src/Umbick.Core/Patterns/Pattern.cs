using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Patterns;

/// <summary>A misconception as a rule that produces answers.</summary>
/// <param name="Id">The stable id that stands in files and in the database.</param>
/// <param name="Weight">How common it is before anything is asked: its share of children at its step, 0 to 1.</param>
/// <param name="Rule">The rule.</param>
/// <param name="Texts">What is said about it.</param>
public sealed record Pattern(string Id, double Weight, StepRule Rule, PatternTexts Texts)
{
    /// <summary>Its step.</summary>
    public Step Step => Rule.Step;

    internal PatternTexts Texts { get; } = Texts;

    /// <summary>What is said about it where times are said and written like this.</summary>
    public PatternTexts TextsIn(Wording wording) => Texts.In(wording);

    /// <summary>The patterns that many questions cannot tell it from: it is never called before they have been told apart.</summary>
    public IReadOnlyList<string> Alike { get; init; } = [];

    /// <summary>Whether it shows at one place of the minute hand only, so that it cannot be seen at two.</summary>
    public bool ShowsAtOnePlace { get; init; }

    /// <summary>Whether some children with it know o'clock, half and quarters as wholes and have those right.</summary>
    public bool BenchmarksMayBeRight { get; init; }
}

/// <summary>
/// The words for a pattern. <c>{child}</c> stands for the child's alias; the school's own words for past and to and its mark
/// between hour and minutes are put in as <see cref="Wording.Fill"/> says.
/// </summary>
/// <param name="Name">Its name on the teacher's side.</param>
/// <param name="Finding">The sentence that says it of a child.</param>
/// <param name="Reads">What is read, as a noun: 'the coming hour'.</param>
/// <param name="Family">The sentence for the family.</param>
/// <param name="Why">Why it arises.</param>
/// <param name="HourFirst">What to say and do where the hour hand is read first.</param>
/// <param name="MinuteFirst">What to say and do where the minute hand is read first.</param>
/// <param name="Practise">The heading of its practice.</param>
public sealed record PatternTexts(
    string Name, string Finding, string Reads, string Family, string Why, string HourFirst, string MinuteFirst, string Practise)
{
    /// <summary>The same, where times are said and written like this.</summary>
    public PatternTexts In(Wording wording) => new(
        wording.Fill(Name), wording.Fill(Finding), wording.Fill(Reads), wording.Fill(Family), wording.Fill(Why), wording.Fill(HourFirst), wording.Fill(MinuteFirst), wording.Fill(Practise));

    /// <summary>The finding, said of this child.</summary>
    public string FindingOf(string child) => Finding.Replace("{child}", child, StringComparison.Ordinal);
}
