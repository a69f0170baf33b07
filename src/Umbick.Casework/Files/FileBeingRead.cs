namespace Umbick.Casework.Files;

/// <summary>A file that is being read or taken in: what it holds, and how far that is.</summary>
public sealed class FileBeingRead : IProgress<int>
{
    /// <summary>Whether its lines are answers; else they are children.</summary>
    public bool HoldsAnswers { get; private set; } = true;

    /// <summary>How many lines it has; none while it is not read yet.</summary>
    public int Lines { get; private set; }

    /// <summary>How many of them are done.</summary>
    public int Done { get; private set; }

    void IProgress<int>.Report(int value) => Done = value;

    /// <summary>Reads a file, and takes it in where that is wanted: whole or not at all.</summary>
    /// <param name="file">The file.</param>
    /// <param name="work">Does what is to be done inside its school.</param>
    /// <param name="now">The present.</param>
    public async Task<ImportReport> Read(
        ClaimedFile file, Func<Func<SchoolConnection, Task<ImportReport>>, Task<ImportReport>> work, DateTime now)
    {
        using var content = new MemoryStream(file.Content, writable: false);
        HoldsAnswers = FileKind.IsOfAnswers(content);
        if (HoldsAnswers)
        {
            var (lines, errors) = AnswersFile.Read(content);
            Lines = lines.Count;
            return await work(connection => errors.Count > 0 ? Refused(errors)
                : AnswersImport.Run(connection, lines, file.Person, file.OnCaseload, file.DryRun, now, this));
        }
        var (children, wrong) = ChildrenFile.Read(content);
        Lines = children.Count;
        return await work(connection => wrong.Count > 0 ? Refused(wrong)
            : ChildrenFile.Run(connection, children, file.Person, file.DryRun, now));

        static Task<ImportReport> Refused(IReadOnlyList<FileError> errors) => Task.FromResult(ImportReport.Refused(errors));
    }
}
