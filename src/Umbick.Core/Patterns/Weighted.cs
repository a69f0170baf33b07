namespace Umbick.Core.Patterns;

/// <summary>One of several outcomes, with its share of them: weights of one set of outcomes add up to 1.</summary>
public readonly record struct Weighted<T>(T Value, double Weight);
