namespace Umbick.Rows;

/// <summary>A table of a child's record.</summary>
/// <param name="Name">Its name, in the file as in the database.</param>
/// <param name="Where">Which of its rows are the child's.</param>
/// <param name="Order">Their order.</param>
internal sealed record RecordPart(string Name, string Where, string Order)
{
    /// <summary>The form of the file that has it first: a record of an earlier one has none of it.</summary>
    public int Since { get; init; } = 1;

    /// <summary>Whether its rows go along to another school.</summary>
    public bool Moves { get; init; } = true;

    /// <summary>The column with a row's own id; null where it has none.</summary>
    public string? Key { get; init; }

    /// <summary>Columns that name a row of a table of the record, and which table.</summary>
    public Dictionary<string, string> Names { get; } = [];

    /// <summary>Columns that may name a row of a table of the record, or something that no table has.</summary>
    public Dictionary<string, string> Loose { get; } = [];

    /// <summary>Columns that name a person of the school where it was kept.</summary>
    public IReadOnlyList<string> People { get; init; } = [];

    /// <summary>Columns whose ids go along as they are.</summary>
    public IReadOnlyList<string> Known { get; init; } = [];
}
