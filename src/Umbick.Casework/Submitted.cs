namespace Umbick.Casework;

/// <summary>What became of it.</summary>
public enum Submitted
{
    /// <summary>It is kept.</summary>
    Kept,

    /// <summary>It had been kept before; nothing changed.</summary>
    KeptBefore,

    /// <summary>Another answer was kept under the same id; this one was not.</summary>
    OtherAnswerKept,

    /// <summary>The item has an answer already, under another id; this one was not kept.</summary>
    AnsweredBefore,

    /// <summary>Nothing was asked at its place; it was not kept.</summary>
    NotAsked,

    /// <summary>The school has no such sitting.</summary>
    NotFound,
}
