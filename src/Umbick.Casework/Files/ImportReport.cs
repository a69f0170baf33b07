namespace Umbick.Casework.Files;

/// <summary>What a file would add, or has added.</summary>
/// <param name="Lines">How many lines there are.</param>
/// <param name="Children">Of how many children.</param>
/// <param name="NewChildren">The aliases of those who are new to the school.</param>
/// <param name="Added">How many lines are new.</param>
/// <param name="ThereBefore">How many were there before, and stay as they are.</param>
/// <param name="Errors">What is wrong; where there is one error, nothing is added.</param>
public sealed record ImportReport(
    int Lines, int Children, IReadOnlyList<string> NewChildren, int Added, int ThereBefore, IReadOnlyList<FileError> Errors)
{
    /// <summary>A file of which nothing can be taken.</summary>
    public static ImportReport Refused(IReadOnlyList<FileError> errors) => new(0, 0, [], 0, 0, errors);

    /// <summary>What it says in a sentence or two, as a dry run or as done.</summary>
    /// <param name="what">What a line is, in the plural: <c>answers</c>.</param>
    /// <param name="dryRun">Whether nothing was added yet.</param>
    public string InWords(string what, bool dryRun)
    {
        var (verb, rest) = dryRun ? ("would be", "Nothing has been added yet.") : ("were", "");
        var newcomers = NewChildren.Count == 0 ? ""
            : $" {(NewChildren.Count == 1 ? "One child is" : $"{NewChildren.Count:N0} children are")} new to the school.";
        var before = ThereBefore == 0 ? "" : $" {ThereBefore:N0} {(ThereBefore == 1 ? "was" : "were")} there before.";
        // One line is one answer, not one answers.
        var (lines, were) = Added == 1 ? (what.TrimEnd('s'), verb.Replace("were", "was", StringComparison.Ordinal)) : (what, verb);
        var children = Children == 1 ? "one child" : $"{Children:N0} children";
        return $"{Added:N0} {lines} of {children} {were} added.{before}{newcomers} {rest}".TrimEnd();
    }
}
