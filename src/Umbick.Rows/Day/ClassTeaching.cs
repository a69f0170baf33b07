using Umbick.Core.Teaching;

namespace Umbick.Rows;

/// <summary>What a class says and works on now.</summary>
/// <param name="ClassName">The class.</param>
/// <param name="Wording">The words that it uses.</param>
/// <param name="Topic">What it works on.</param>
/// <param name="RuleId">The id of a rule of thumb that it uses; null where none is known.</param>
/// <param name="ToldOn">The day on which that was told, where the school is.</param>
public sealed record ClassTeaching(string ClassName, string Wording, string Topic, string? RuleId, DateOnly ToldOn)
{
    /// <summary>The most signs that a text has.</summary>
    public const int Longest = 300;

    /// <summary>The most signs that a class's name has.</summary>
    public const int LongestName = 60;

    /// <summary>The rule of thumb that it uses; null where none is known.</summary>
    public RuleOfThumb? Rule => RuleOfThumb.Find(RuleId);
}
