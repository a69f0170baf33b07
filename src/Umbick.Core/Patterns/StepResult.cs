namespace Umbick.Core.Patterns;

/// <summary>The hour or the minutes that a step arrives at: one of them, or any but the right one.</summary>
public readonly record struct StepResult
{
    private readonly int _value;

    private StepResult(int value, bool isAnyWrong) => (_value, IsAnyWrong) = (value, isAnyWrong);

    /// <summary>Any but the right one: what comes of reading in a way that nobody has listed.</summary>
    public static StepResult AnyWrong { get; } = new(0, isAnyWrong: true);

    /// <summary>Whether it is any but the right one.</summary>
    public bool IsAnyWrong { get; }

    /// <summary>The hour, 1 to 12, or the minutes (a muddled count can pass 59).</summary>
    /// <exception cref="InvalidOperationException">It is any but the right one.</exception>
    public int Value => IsAnyWrong ? throw new InvalidOperationException("What is any but the right one has no value.") : _value;

    /// <summary>One hour, or one number of minutes.</summary>
    public static implicit operator StepResult(int value) => new(value, isAnyWrong: false);

    /// <summary>How likely it is to come out as just this, 0 to 1.</summary>
    /// <param name="given">What came out.</param>
    /// <param name="right">The right one.</param>
    /// <param name="wrongOnes">How many wrong ones there are to choose from.</param>
    public double ChanceOf(int given, int right, double wrongOnes) => IsAnyWrong
        ? given != right ? 1 / wrongOnes : 0
        : given == _value ? 1 : 0;
}
