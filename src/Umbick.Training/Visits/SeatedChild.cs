using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;

namespace Umbick.Training;

/// <summary>What a made-up child of a visit is like.</summary>
public enum Manner
{
    /// <summary>Takes time, and gets there alone.</summary>
    Slow,

    /// <summary>Answers soon, mostly their own way.</summary>
    Quick,

    /// <summary>Holds up what a child beside them holds up.</summary>
    Copier,
}

/// <summary>One of three made-up children who sit round one clock.</summary>
/// <param name="Alias">What they are called.</param>
/// <param name="Manner">What they are like.</param>
/// <param name="Own">The pattern that they have.</param>
/// <param name="Seed">The number of the visit.</param>
public sealed record SeatedChild(string Alias, Manner Manner, Pattern Own, int Seed)
{
    /// <summary>How long they think about a face before they answer by themselves, in seconds.</summary>
    public int ThinksAbout(int face) => Manner switch
    {
        Manner.Slow => 14 + Chance(face).Next(10),
        Manner.Quick => 3 + Chance(face).Next(4),
        _ => 11 + Chance(face).Next(6),
    };

    /// <summary>What they answer by themselves: the slow one is right more often than not.</summary>
    public string AnswersAlone(Item item, int face) =>
        Chance(face + 100).NextDouble() < (Manner == Manner.Slow ? 0.75 : 0.2)
            ? Right(item) : TrainingOracle.Likeliest(Verdict.Of(Own.Id), item)!;

    /// <summary>The lowest rung by which a wrong answer of theirs comes right.</summary>
    public Rung Needs(int face) => (Rung)(1 + Chance(face + 200).Next(3));

    internal static string Right(Item item) => item.Right.Short(Wording.Usual);

    private Random Chance(int of) => new(unchecked((Seed * 131) + ((int)Manner * 17) + (of * 7919)));
}
