namespace Umbick.Core.Items;

/// <summary>How an answer was given.</summary>
public enum AnswerMode
{
    /// <summary>Aloud; the teacher typed what was said.</summary>
    Said,

    /// <summary>Written or keyed freely by the child, figure by figure.</summary>
    Written,

    /// <summary>Put together from ready parts.</summary>
    Built,

    /// <summary>By placing hands.</summary>
    Placed,

    /// <summary>By choosing one of several.</summary>
    Chosen,

    /// <summary>By turning hands that go together: where the hour hand stands is then not the child's doing.</summary>
    Geared,
}

/// <summary>What the child answers with.</summary>
public enum AnswerForm
{
    /// <summary>A time in figures.</summary>
    Digital,

    /// <summary>A time in words.</summary>
    Words,

    /// <summary>One hand or two, placed on a face.</summary>
    Hands,

    /// <summary>Right or wrong, and the right time where wrong.</summary>
    Verdict,

    /// <summary>An hour alone, with how far past it the hand is.</summary>
    Hour,

    /// <summary>Minutes alone.</summary>
    Minutes,

    /// <summary>Several of the times that were offered.</summary>
    Several,

    /// <summary>Between which numerals the hands are.</summary>
    Places,

    /// <summary>Free text, a number or a choice.</summary>
    Text,
}
