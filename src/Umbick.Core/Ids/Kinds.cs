namespace Umbick.Core.Ids;

/// <summary>
/// What there are ids of. A kind has no members: it only keeps its ids apart. Each is named in Directory.Build.props, as <c>ChildId</c> for
/// <c>Id&lt;Kinds.Child&gt;</c>.
/// </summary>
public static class Kinds
{
    public sealed class Answer;

    public sealed class BarredTime;

    public sealed class Child;

    public sealed class Cycle;

    public sealed class Decision;

    public sealed class FileJob;

    public sealed class Holiday;

    public sealed class Invitation;

    public sealed class Person;

    /// <summary>The typing of a code: sent again, it is the same.</summary>
    public sealed class Press;

    /// <summary>A report that was kept.</summary>
    public sealed class Report;

    public sealed class School;

    public sealed class Screening;

    public sealed class Session;

    /// <summary>A practice set.</summary>
    public sealed class Set;

    /// <summary>That a demonstration was shown to a child.</summary>
    public sealed class Showing;

    public sealed class Sitting;

    public sealed class Slot;

    /// <summary>A child's guesses of time at one card.</summary>
    public sealed class TimeTry;

    /// <summary>Something that an adult has trained with.</summary>
    public sealed class Training;

    public sealed class Visit;
}
