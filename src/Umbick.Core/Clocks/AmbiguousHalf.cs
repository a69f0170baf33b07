namespace Umbick.Core.Clocks;

/// <summary>'Half eight', which is half past eight to some and half past seven to others: the teacher says which.</summary>
/// <param name="Hour">The hour that was named, 1 to 12.</param>
/// <param name="Offset">Minutes from that half hour that were said with it: five to half eight is -5.</param>
public sealed record AmbiguousHalf(int Hour, int Offset = 0) : Answer
{
    /// <summary>The half hour before the hour that was named.</summary>
    public ClockTime Before => new ClockTime(Hours.Before(Hour), 30).Plus(Offset);

    /// <summary>The half hour after it.</summary>
    public ClockTime After => new ClockTime(Hour, 30).Plus(Offset);

    /// <summary>What it is once it is known what the child means by it; itself before.</summary>
    public Answer As(HalfMeaning meaning) => meaning == HalfMeaning.NotSettled ? this
        : new WordsAnswer(SpokenTime.From(meaning == HalfMeaning.Before ? Before : After));

    /// <inheritdoc/>
    public override bool IsScored => false;

    /// <inheritdoc/>
    public override string Short(Wording wording) => Offset == 0 ? $"half {Hour}?"
        : $"{Math.Abs(Offset)} {(Offset < 0 ? wording.To : wording.Past)} half {Hour}?";
}
