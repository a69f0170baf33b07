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

    /// <summary>How many round trips to the database it has cost so far.</summary>
    public int RoundTrips { get; protected set; }
}
