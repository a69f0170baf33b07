using System.Diagnostics.CodeAnalysis;

namespace Umbick.Core.Ids;

/// <summary>The id of one kind of thing: no id of another kind passes for it.</summary>
/// <typeparam name="TKind">What it is the id of, one of <see cref="Kinds"/>.</typeparam>
/// <param name="Value">As it stands in the database; all zeros stand for no id.</param>
[SuppressMessage("Design", "CA1036", Justification = "Ids are put in an order; which is greater says nothing.")]
public readonly record struct Id<TKind>(Guid Value) : IParsable<Id<TKind>>, IComparable<Id<TKind>>
{
    /// <summary>Whether it is the id of anything.</summary>
    public bool IsGiven => Value != Guid.Empty;

    /// <summary>A number that was just made is not of any kind yet.</summary>
    /// <param name="value">The number.</param>
    [SuppressMessage("Usage", "CA2225", Justification = "The constructor says the same.")]
    public static implicit operator Id<TKind>(Guid value) => new(value);

    /// <summary>Reads an id as it stands in an address.</summary>
    /// <param name="s">The text.</param>
    /// <param name="provider">Unused: an id is written the same everywhere.</param>
    /// <exception cref="FormatException">The text is no id.</exception>
    public static Id<TKind> Parse(string s, IFormatProvider? provider = null) => new(Guid.Parse(s, provider));

    /// <summary>Reads an id as it stands in an address; false where the text is none.</summary>
    /// <param name="s">The text.</param>
    /// <param name="provider">Unused.</param>
    /// <param name="result">The id; all zeros where the text is none.</param>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out Id<TKind> result)
    {
        var isId = Guid.TryParse(s, provider, out var value);
        result = new(value);
        return isId;
    }

    /// <summary>An order, the same each time: of ids that were made one after the other, the order of their making.</summary>
    /// <param name="other">The other id.</param>
    public int CompareTo(Id<TKind> other) => Value.CompareTo(other.Value);

    /// <summary>As it stands in an address.</summary>
    public override string ToString() => Value.ToString();
}
