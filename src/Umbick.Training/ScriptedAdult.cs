using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Training;

/// <summary>An adult who talks with made-up children by a script: to see whether the feedback says what a specialist would.</summary>
public abstract class ScriptedAdult
{
    /// <summary>Asks a child, and says what it is.</summary>
    /// <param name="child">The child.</param>
    /// <param name="most">The most clocks.</param>
    public abstract (Conversation Conversation, Verdict Verdict) Talk(MadeUpChild child, int most = Conversation.Most);

    /// <summary>An adult who asks o'clocks alone, and says what most answers come to.</summary>
    public static ScriptedAdult OClockOnly { get; } = new AsksOClocks();

    /// <summary>An adult who says after one clock what it is: the commonest pattern that gives just this answer.</summary>
    public static ScriptedAdult AtOnce { get; } = new CallsAtOnce();

    /// <summary>A child's answers counted by whether they came right.</summary>
    private static int WrongIn(Conversation conversation) =>
        Enumerable.Range(0, conversation.Items.Count).Count(place => !conversation.IsRight(place));

    private sealed class AsksOClocks : ScriptedAdult
    {
        public override (Conversation Conversation, Verdict Verdict) Talk(MadeUpChild child, int most)
        {
            var conversation = new Conversation(child,
                [.. Enumerable.Range(1, Math.Min(8, most)).Select(hour => new Item(ClockTasks.ReadDigital, new ClockTime(hour, 0)))]);
            return (conversation, WrongIn(conversation) switch { 0 => Verdict.Nothing, < 3 => Verdict.Slips, _ => Verdict.Guessing });
        }
    }

    private sealed class CallsAtOnce : ScriptedAdult
    {
        public override (Conversation Conversation, Verdict Verdict) Talk(MadeUpChild child, int most)
        {
            var item = new Item(ClockTasks.ReadDigital, new ClockTime(7, 50));
            var conversation = new Conversation(child, [item]);
            if (conversation.IsRight(0)) return (conversation, Verdict.Nothing);
            var said = item.Read(conversation.Heard[0].Raw);
            var pattern = Catalogue.All.Where(pattern => Steps.OfReading.Contains(pattern.Step)).OrderByDescending(pattern =>
                pattern.Weight)
                .FirstOrDefault(pattern => item.Read(TrainingOracle.Likeliest(Verdict.Of(pattern.Id), item)!).Equals(said));
            return (conversation, pattern is null ? Verdict.Slips : Verdict.Of(pattern.Id));
        }
    }
}
