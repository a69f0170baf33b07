using Umbick.Core.Patterns;

namespace Umbick.Core.Diagnosis;

/// <summary>One of the ways that stand open at a step.</summary>
/// <param name="Way">The way.</param>
/// <param name="Pattern">The pattern it belongs to; null for the correct way and for some other way.</param>
/// <param name="Prior">Its share before anything is asked, 0 to 1.</param>
public sealed record Choice(Way Way, Pattern? Pattern, double Prior)
{
    /// <summary>Whether this is a way that nobody has listed.</summary>
    public bool IsOther => Way is OtherWay;

    /// <summary>What is read this way, as a noun.</summary>
    public string Reads => Pattern?.Texts.Reads ?? (IsOther ? "some other way" : Catalogue.ReadsRightly(Way.Step));
}
