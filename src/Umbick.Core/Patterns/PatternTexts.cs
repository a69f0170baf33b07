using System.Collections.Concurrent;
using Umbick.Core.Clocks;

namespace Umbick.Core.Patterns;

/// <summary>
/// The words for a pattern. <c>{child}</c> stands for the child's alias; the school's own words for past and to and its mark between hour
/// and minutes are put in as <see cref="Wording.Fill"/> says.
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
    /// <summary>There are few wordings, and a page asks for these texts again and again.</summary>
    private readonly ConcurrentDictionary<Wording, PatternTexts> _known = [];

    /// <summary>The same, where times are said and written like this.</summary>
    public PatternTexts In(Wording wording) => _known.GetOrAdd(wording, Filled);

    private PatternTexts Filled(Wording wording) => new(
        wording.Fill(Name), wording.Fill(Finding), wording.Fill(Reads), wording.Fill(Family), wording.Fill(Why), wording.Fill(HourFirst),
        wording.Fill(MinuteFirst), wording.Fill(Practise));

    /// <summary>The finding, said of this child.</summary>
    public string FindingOf(string child) => Finding.Replace("{child}", child, StringComparison.Ordinal);
}
