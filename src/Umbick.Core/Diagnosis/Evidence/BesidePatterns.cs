namespace Umbick.Core.Diagnosis;

/// <summary>What stands out in answers and is no pattern of reading. The names stand in the database.</summary>
public enum BesidePatterns
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>The answers do not follow the clock.</summary>
    Guessing,

    /// <summary>One answer is given again and again.</summary>
    SameAnswer,

    /// <summary>A step is taken in a way that nobody has listed.</summary>
    OtherWay,

    /// <summary>More comes out wrong than right, in no one way.</summary>
    MuchWrong,
}
