namespace Umbick.Core.Teaching;

/// <summary>What a setting changes.</summary>
public enum SettingGroup
{
    /// <summary>How reading and setting a clock are taught.</summary>
    Teaching,

    /// <summary>How times are said and written.</summary>
    Words,

    /// <summary>How a clock face looks.</summary>
    Face,

    /// <summary>How a pattern is practised.</summary>
    Practising,

    /// <summary>How a child is asked.</summary>
    Asking,
}

/// <summary>One way of settling a question on which good teachers differ.</summary>
/// <param name="Id">Its id; it stands in the database.</param>
/// <param name="Name">What the teacher reads.</param>
public sealed record SettingChoice(string Id, string Name);

/// <summary>A question on which good teachers differ: a school answers it, and a child may have an answer of their own.</summary>
/// <param name="Id">Its id; it stands in the database.</param>
/// <param name="Group">What it changes.</param>
/// <param name="Name">The question, short.</param>
/// <param name="Why">Why the first choice is the usual one, in a sentence.</param>
/// <param name="Choices">The choices; the first is the usual one.</param>
public sealed record Setting(string Id, SettingGroup Group, string Name, string Why, IReadOnlyList<SettingChoice> Choices)
{
    /// <summary>The choice that holds where nobody has made one.</summary>
    public SettingChoice Usual => Choices[0];

    /// <summary>Whether this is one of its choices.</summary>
    public bool Has(string choice) => Choices.Any(each => each.Id == choice);
}
