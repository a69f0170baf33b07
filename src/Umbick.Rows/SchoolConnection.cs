namespace Umbick.Rows;

/// <summary>
/// The way to one school's rows, for the length of one transaction. It knows its school. Only the store can ask anything by it: whoever
/// else holds it hands it on.
/// </summary>
/// <param name="school">The school.</param>
public abstract class SchoolConnection(SchoolId school)
{
    /// <summary>The school.</summary>
    public SchoolId School => school;

    /// <summary>
    /// Children of whom something is asked for or has come that is not reckoned yet: they are brought up to date once this work is kept.
    /// </summary>
    public HashSet<ChildId> ToRenew { get; } = [];

    /// <summary>
    /// Whether somebody looked at a list of children: from then on what is said in the middle of their sittings is worked out as answers
    /// come.
    /// </summary>
    public bool IsLookedAt { get; set; }

    /// <summary>How many round trips to the database it has cost so far.</summary>
    public int RoundTrips { get; protected set; }
}
