using System.Collections.Concurrent;
using System.Threading.Channels;
using Umbick.Casework.Files;

namespace Umbick.Web.Pages.Records;

/// <summary>
/// Files that were sent, read and taken in beside the requests, one at a time, for a large file takes memory while it is read. A file is
/// one transaction: a process that ends meanwhile has taken nothing.
/// </summary>
public sealed partial class FileJobs(IDatabase database, TimeProvider clock, ILogger<FileJobs> log) : BackgroundService
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(1);

    /// <summary>So many of a school wait to be taken in; the oldest make room.</summary>
    private const int MostOfSchool = 5;

    private readonly ConcurrentDictionary<FileJobId, FileJob> _jobs = [];

    private readonly Channel<(FileJob Job, bool OnCaseload)> _waiting = Channel.CreateUnbounded<(FileJob, bool)>();
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-files-");

    /// <summary>Keeps a file and begins to read it.</summary>
    public async Task<FileJob> Begin(SchoolId school, PersonId person, IFormFile sent, CancellationToken cancel)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        foreach (var old in _jobs.Values.Where(job => !job.Running && now - job.At > Kept)) Drop(old);
        foreach (var old in _jobs.Values.Where(job => !job.Running && job.School == school).OrderByDescending(job => job.At)
            .Skip(MostOfSchool - 1)) Drop(old);
        var id = FileJobId.New();
        var job = new FileJob(id, school, person, Path.Combine(_folder.FullName, id.ToString()), Path.GetFileName(sent.FileName), now);
        await using (var file = File.Create(job.Path)) await sent.CopyToAsync(file, cancel);
        _jobs[id] = job;
        _waiting.Writer.TryWrite((job, false));
        return job;
    }

    /// <summary>The job of a school; null where there is none, or it is over for an hour.</summary>
    public FileJob? Find(SchoolId school, FileJobId id) => _jobs.TryGetValue(id, out var job) && job.School == school ? job : null;

    /// <summary>Takes a file in that was read; pressed twice, once.</summary>
    public void Import(FileJob job, bool onCaseload)
    {
        lock (job)
        {
            if (job is not { Running: false, DryRun: true, Report.Errors.Count: 0 }) return;
            (job.Running, job.DryRun) = (true, false);
        }
        _waiting.Writer.TryWrite((job, onCaseload));
    }

    public override void Dispose()
    {
        base.Dispose();
        // It is disposed of twice: as what pages ask for, and as what runs beside them.
        if (Directory.Exists(_folder.FullName)) _folder.Delete(recursive: true);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var (job, onCaseload) in _waiting.Reader.ReadAllAsync(stoppingToken)) await Run(job, onCaseload, stoppingToken);
    }

    private async Task Run(FileJob job, bool onCaseload, CancellationToken cancel)
    {
        try
        {
            job.Report = await Read(job, onCaseload, cancel);
        }
        catch (Exception error) when (!cancel.IsCancellationRequested)
        {
            // Nothing of it is kept: the page says so. What was wrong may hold what children answered, so only its kind is told here.
            job.Report = null;
            NotRead(error.GetType().Name);
        }
        finally
        {
            job.Running = false;
        }
        if (job.Report is null || !job.DryRun) File.Delete(job.Path);
    }

    private async Task<ImportReport> Read(FileJob job, bool onCaseload, CancellationToken cancel)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        await using var file = File.OpenRead(job.Path);
        if (FileKind.IsOfAnswers(job.Path))
        {
            var (lines, errors) = AnswersFile.Read(file);
            (job.What, job.Lines) = ("answers", lines.Count);
            return errors.Count > 0 ? ImportReport.Refused(errors)
                : await database.InSchool(job.School,
                connection => AnswersImport.Run(connection, lines, job.Person, onCaseload, job.DryRun, now, job), cancel);
        }
        var (children, wrong) = ChildrenFile.Read(file);
        (job.What, job.Lines) = ("lines", children.Count);
        return wrong.Count > 0 ? ImportReport.Refused(wrong)
            : await database.InSchool(job.School, connection => ChildrenFile.Run(connection, children, job.Person, job.DryRun, now),
            cancel);
    }

    private void Drop(FileJob job)
    {
        _jobs.TryRemove(job.Id, out _);
        File.Delete(job.Path);
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "A file could not be read: {Error}")]
    private partial void NotRead(string error);
}
