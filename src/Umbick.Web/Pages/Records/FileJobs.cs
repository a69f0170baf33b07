using System.Collections.Concurrent;
using Umbick.Casework.Files;

namespace Umbick.Web.Pages.Records;

/// <summary>
/// Files that were sent, while they are read and taken in beside the requests. A file is one transaction: a process that ends meanwhile has
/// taken nothing.
/// </summary>
public sealed partial class FileJobs(IDatabase database, TimeProvider clock, ILogger<FileJobs> log) : IDisposable
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(1);

    /// <summary>So many of a school wait to be taken in; the oldest make room.</summary>
    private const int MostOfSchool = 5;

    private readonly ConcurrentDictionary<Guid, FileJob> _jobs = [];

    // One at a time: a large file takes memory while it is read.
    private readonly SemaphoreSlim _reading = new(1);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-files-");

    /// <summary>Keeps a file and begins to read it.</summary>
    public async Task<FileJob> Begin(Guid school, Guid person, IFormFile sent, CancellationToken cancel)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        foreach (var old in _jobs.Values.Where(job => !job.Running && now - job.At > Kept)) Drop(old);
        foreach (var old in _jobs.Values.Where(job => !job.Running && job.School == school).OrderByDescending(job => job.At)
            .Skip(MostOfSchool - 1)) Drop(old);
        var id = Guid.CreateVersion7();
        var job = new FileJob(id, school, person, Path.Combine(_folder.FullName, id.ToString("N")), Path.GetFileName(sent.FileName), now);
        await using (var file = File.Create(job.Path)) await sent.CopyToAsync(file, cancel);
        _jobs[id] = job;
        _ = Task.Run(() => Run(job, onCaseload: false), CancellationToken.None);
        return job;
    }

    /// <summary>The job of a school; null where there is none, or it is over for an hour.</summary>
    public FileJob? Find(Guid school, Guid id) => _jobs.TryGetValue(id, out var job) && job.School == school ? job : null;

    /// <summary>Takes a file in that was read; pressed twice, once.</summary>
    public void Import(FileJob job, bool onCaseload)
    {
        lock (job)
        {
            if (job is not { Running: false, DryRun: true, Report.Errors.Count: 0 }) return;
            (job.Running, job.DryRun) = (true, false);
        }
        _ = Task.Run(() => Run(job, onCaseload));
    }

    public void Dispose()
    {
        foreach (var job in _jobs.Values) Drop(job);
        _folder.Delete(recursive: true);
        _reading.Dispose();
    }

    private async Task Run(FileJob job, bool onCaseload)
    {
        await _reading.WaitAsync();
        try
        {
            job.Report = await Read(job, onCaseload);
        }
        catch (Exception error)
        {
            // Nothing of it is kept: the page says so. What was wrong may hold what children answered, so only its kind is told here.
            job.Report = null;
            NotRead(error.GetType().Name);
        }
        finally
        {
            job.Running = false;
            _reading.Release();
        }
        if (job.Report is null || !job.DryRun) File.Delete(job.Path);
    }

    private async Task<ImportReport> Read(FileJob job, bool onCaseload)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var file = File.OpenRead(job.Path);
        if (FileKind.IsOfAnswers(job.Path))
        {
            var (lines, errors) = AnswersFile.Read(file);
            (job.What, job.Lines) = ("answers", lines.Count);
            return errors.Count > 0 ? ImportReport.Refused(errors)
                : await database.InSchool(job.School,
                connection => AnswersImport.Run(connection, lines, job.Person, onCaseload, job.DryRun, now, job));
        }
        var (children, wrong) = ChildrenFile.Read(file);
        (job.What, job.Lines) = ("lines", children.Count);
        return wrong.Count > 0 ? ImportReport.Refused(wrong)
            : await database.InSchool(job.School, connection => ChildrenFile.Run(connection, children, job.Person, job.DryRun, now));
    }

    private void Drop(FileJob job)
    {
        _jobs.TryRemove(job.Id, out _);
        File.Delete(job.Path);
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "A file could not be read: {Error}")]
    private partial void NotRead(string error);
}
