using System.Diagnostics.CodeAnalysis;

namespace Umbick.Rows;

/// <summary>The id of a child.</summary>
public readonly record struct ChildId(Guid Value) : IId<ChildId>
{
    /// <inheritdoc/>
    public static ChildId Of(Guid value) => new(value);

    /// <inheritdoc/>
    public static ChildId Parse(string s, IFormatProvider? provider) => new(Guid.Parse(s, provider));

    /// <inheritdoc/>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out ChildId result)
    {
        var known = Guid.TryParse(s, provider, out var value);
        result = new(value);
        return known;
    }

    /// <summary>As it stands in an address.</summary>
    public override string ToString() => Value.ToString();
}
