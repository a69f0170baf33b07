using System.Diagnostics.CodeAnalysis;

namespace Umbick.Rows;

/// <summary>The id of a sitting.</summary>
public readonly record struct SittingId(Guid Value) : IId<SittingId>
{
    /// <inheritdoc/>
    public static SittingId Of(Guid value) => new(value);

    /// <inheritdoc/>
    public static SittingId Parse(string s, IFormatProvider? provider) => new(Guid.Parse(s, provider));

    /// <inheritdoc/>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out SittingId result)
    {
        var known = Guid.TryParse(s, provider, out var value);
        result = new(value);
        return known;
    }

    /// <summary>As it stands in an address.</summary>
    public override string ToString() => Value.ToString();
}
