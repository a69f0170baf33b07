using System.Diagnostics.CodeAnalysis;

namespace Umbick.Rows;

/// <summary>The id of a practice set.</summary>
public readonly record struct SetId(Guid Value) : IId<SetId>
{
    /// <inheritdoc/>
    public static SetId Of(Guid value) => new(value);

    /// <inheritdoc/>
    public static SetId Parse(string s, IFormatProvider? provider) => new(Guid.Parse(s, provider));

    /// <inheritdoc/>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out SetId result)
    {
        var known = Guid.TryParse(s, provider, out var value);
        result = new(value);
        return known;
    }

    /// <summary>As it stands in an address.</summary>
    public override string ToString() => Value.ToString();
}
