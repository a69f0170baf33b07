namespace Umbick.Core.Clocks;

/// <summary>Who typed an answer. A teacher's short signs are the teacher's: from a child, <c>.</c> is a full stop.</summary>
public enum Typist
{
    /// <summary>A teacher, who may note no more than that an answer was right.</summary>
    Teacher,

    /// <summary>The child.</summary>
    Child,
}
