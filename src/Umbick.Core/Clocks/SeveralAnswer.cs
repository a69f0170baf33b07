namespace Umbick.Core.Clocks;

/// <summary>Several of the times that were offered.</summary>
public sealed record SeveralAnswer(IReadOnlyList<Answer> Chosen) : Answer
{
    /// <summary>Reads times parted by semicolons.</summary>
    public static Answer Parse(string raw)
    {
        var parts = GivenText.Plain(raw).Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(part => AnswerParser.Parse(part, Typist.Child)).ToList();
        return parts.Count == 0 || parts.Exists(part => part is Unread) ? new Unread(raw) : new SeveralAnswer(parts);
    }

    /// <summary>Whether the same ones were chosen, in whatever order.</summary>
    public bool Equals(SeveralAnswer? other) => other is not null && Chosen.ToHashSet().SetEquals(other.Chosen);

    /// <inheritdoc/>
    public override int GetHashCode() => Chosen.Sum(answer => answer.GetHashCode());

    /// <inheritdoc/>
    public override string Short(Wording wording) => string.Join("; ", Chosen.Select(answer => answer.Short(wording)));
}
