namespace Umbick.Core.Clocks;

/// <summary>A time that was told as near and not as it is: "about 7". It is shown as given, and is neither right nor wrong.</summary>
/// <param name="Raw">The text as it was given.</param>
public sealed record Estimate(string Raw) : Answer
{
    /// <inheritdoc/>
    public override bool IsScored => false;

    /// <inheritdoc/>
    public override string Short(Wording wording) => $"“{Raw}”";
}
