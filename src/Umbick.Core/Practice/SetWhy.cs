using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Core.Practice;

/// <summary>Why an item is in a set: what is right there, and what the pattern would make of it.</summary>
/// <param name="held">The pattern, as the child has it.</param>
/// <param name="wording">How times are said.</param>
internal sealed class SetWhy(HeldPattern held, Wording wording)
{
    private readonly string _reads = held.Pattern.TextsIn(wording).Reads;

    /// <summary>The sentence for the teacher.</summary>
    /// <param name="slot">The item at its place.</param>
    /// <param name="before">The one before it: the first of a pair, where this is the second.</param>
    public string For(SetSlot slot, SetSlot? before)
    {
        var (item, part) = slot;
        return part switch
        {
            SetPart.Secure => $"A secure start: {InWords(item.Right)} comes right either way.",
            SetPart.Agree when item.Task == held.MainTask || PracticeTasks.Simpler(held.Pattern).Contains(item.Task) =>
                $"Both ways give {InWords(item.Right)}.",
            SetPart.Agree => $"The next clock, asked so that it comes right: {InWords(item.Right)}.",
            SetPart.Differ => $"{Shared(item, before?.Item)}: {Parted(item.Right, held.AnswerTo(item))}.",
            SetPart.Judge when item.Task == ClockTasks.RepairClock =>
                $"Hands to put right: {Parted(new Item(ClockTasks.SetFromDigital, item.Time).Right, item.Claim!)}.",
            SetPart.Judge => $"A claim that is {(item.ClaimIsRight ? "true" : "not true")}: {JudgedAs(item)}.",
            SetPart.Bare or SetPart.Again when held.ComesRight(item) => $"Bare: {InWords(item.Right)} comes right either way.",
            SetPart.Transfer => $"In another form, bare: {Parted(item.Right, held.AnswerTo(item))}.",
            SetPart.Bare when item.Time.Hour == 12 && held.Pattern.Step is Step.Hour or Step.PastOrTo or Step.Placing =>
                $"Bare: {Parted(item.Right, held.AnswerTo(item))}, over the top from 12 to 1.",
            SetPart.Bare => $"Bare: {Parted(item.Right, held.AnswerTo(item))}.",
            _ => $"Once more where they part: {Parted(item.Right, held.AnswerTo(item))}.",
        };
    }

    private string JudgedAs(Item item)
    {
        var read = new Item(item.Claim is WordsAnswer ? ClockTasks.ReadWords : ClockTasks.ReadDigital, item.Time);
        return Parted(read.Right, held.AnswerTo(read));
    }

    /// <summary>What is right, and what the pattern makes of it; of hands only those that differ.</summary>
    private string Parted(Answer right, Answer its)
    {
        if (right is PlacedAnswer { Hour: { } hour, Minute: { } minute }
            && its is PlacedAnswer { Hour: { } itsHour, Minute: { } itsMinute })
        {
            if (HandPositions.MinutesApart(minute, itsMinute) < 0.5)
                return Parted(new PlacedAnswer(hour, null), new PlacedAnswer(itsHour, null));
            if (HandPositions.HoursApart(hour, itsHour) < 0.01)
                return Parted(new PlacedAnswer(null, minute), new PlacedAnswer(null, itsMinute));
        }
        if (right is PlacedAnswer { Hour: { } only, Minute: null } && its is PlacedAnswer { Hour: { } itsOnly })
            return $"the short hand {HandsInWords.Short(only)}, not {HandsInWords.Short(itsOnly)} ({_reads})";
        if (right is PlacedAnswer { Hour: null, Minute: { } at } && its is PlacedAnswer { Minute: { } itsAt })
            return $"the long hand {HandsInWords.Long(at)}, not {HandsInWords.Long(itsAt)} ({_reads})";
        return $"{InWords(right)}, not {InWords(its)} ({_reads})";
    }

    private static string Shared(Item item, Item? before) =>
        before is null || before.Time == item.Time ? "The same time"
        : before.Time.Hour == item.Time.Hour ? "The same hour"
        : before.Time.Minute == item.Time.Minute ? "The same minutes"
        : "A few minutes apart";

    private string InWords(Answer answer) => answer is HourPlaceAnswer place ? $"{place.Hour}" : AnswerInWords.For(answer, wording);
}
