using System.Threading.Channels;
using Umbick.Casework.Files;

namespace Umbick.Web.Pages.Records;

/// <summary>
/// Reads files that were sent, one at a time, for a large file takes memory while it is read. What was left by a site that has ended is
/// taken up by whichever site is asked about it.
/// </summary>
public sealed partial class FileJobs(FileReading files, ILogger<FileJobs> log) : BackgroundService
{
    private readonly Channel<(SchoolId School, FileJobId Id)> _waiting = Channel.CreateUnbounded<(SchoolId, FileJobId)>();

    /// <summary>Keeps a file and begins to read it.</summary>
    public async Task<FileJobId> Begin(SchoolId school, PersonId person, IFormFile sent, CancellationToken cancel)
    {
        var content = new byte[sent.Length];
        await using (var file = sent.OpenReadStream()) await file.ReadExactlyAsync(content, cancel);
        var id = await files.Keep(school, person, Path.GetFileName(sent.FileName), content, cancel);
        _waiting.Writer.TryWrite((school, id));
        return id;
    }

    /// <summary>A file of a school, and what came of it; null where there is none, or its hour is over.</summary>
    public async Task<SentFileShown?> Find(SchoolId school, FileJobId id, CancellationToken cancel)
    {
        if (await files.Find(school, id, cancel) is not ({ } file, var report)) return null;
        if (file.IsLeft) _waiting.Writer.TryWrite((school, id));
        return new(file, report);
    }

    /// <summary>Takes a file in that was read without an error; pressed twice, once.</summary>
    public async Task Import(SchoolId school, FileJobId id, bool onCaseload, CancellationToken cancel)
    {
        await files.TakeIn(school, id, onCaseload, cancel);
        _waiting.Writer.TryWrite((school, id));
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var (school, id) in _waiting.Reader.ReadAllAsync(stoppingToken))
        {
            try
            {
                await files.Work(school, id, NotRead, stoppingToken);
            }
            catch (Exception error) when (!stoppingToken.IsCancellationRequested)
            {
                // Whoever looks at it next has it begun anew.
                NotRead(error.GetType().Name);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "A file could not be read: {Error}")]
    private partial void NotRead(string error);
}
