using System.Text.Json;
using Umbick.Store;

namespace Umbick.Casework.Files;

/// <summary>
/// Files that were sent, read and taken in beside the requests. They are kept in the database: any site shows how far one is, and goes on
/// with one whose site has ended. A file is one transaction: what ends meanwhile has taken nothing.
/// </summary>
public sealed class FileReading(IDatabase database, TimeProvider clock)
{
    private const int LongestName = 200;

    private static readonly TimeSpan Between = TimeSpan.FromMilliseconds(500);

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>Keeps a file that is to be read.</summary>
    /// <param name="school">Its school.</param>
    /// <param name="person">Who sent it.</param>
    /// <param name="name">What it is called.</param>
    /// <param name="content">What it holds.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task<FileJobId> Keep(SchoolId school, PersonId person, string name, byte[] content, CancellationToken cancel)
    {
        var id = FileJobId.New();
        await database.InSchool(school,
            connection => SentFiles.Add(connection, id, person, name[..Math.Min(name.Length, LongestName)], content, Now), cancel);
        return id;
    }

    /// <summary>A file of a school, and what came of it; null where there is none, or its hour is over.</summary>
    public async Task<(SentFile File, ImportReport? Report)?> Find(SchoolId school, FileJobId id, CancellationToken cancel)
    {
        var found = await database.InSchool(school, connection => SentFiles.Find(connection, id), cancel);
        return found is null ? null : (found, found.Report is null ? null : JsonSerializer.Deserialize<ImportReport>(found.Report));
    }

    /// <summary>Has a file taken in that was read without an error; pressed twice, once.</summary>
    public async Task TakeIn(SchoolId school, FileJobId id, bool onCaseload, CancellationToken cancel)
    {
        if (await Find(school, id, cancel) is not { Report.Errors.Count: 0 }) return;
        await database.InSchool(school, connection => SentFiles.TakeIn(connection, id, onCaseload), cancel);
    }

    /// <summary>Reads a file, or takes it in, where nobody does so already.</summary>
    /// <param name="school">Its school.</param>
    /// <param name="id">The file.</param>
    /// <param name="failed">Told of the kind of what went wrong: more could hold what children answered.</param>
    /// <param name="cancel">This site ends: the file is left to another.</param>
    public async Task Work(SchoolId school, FileJobId id, Action<string> failed, CancellationToken cancel)
    {
        var worker = Guid.NewGuid();
        var claimed = await database.InSchool(school, connection => SentFiles.Claim(connection, id, worker), cancel);
        if (claimed is null) return;
        var reading = new FileBeingRead();
        using var over = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var telling = Tell(school, id, worker, reading, failed, over.Token);
        try
        {
            await reading.Read(claimed, work => database.InSchool(school, async connection =>
            {
                var report = await work(connection);
                return await SentFiles.End(connection, id, worker, JsonSerializer.Serialize(report),
                    keepContent: claimed.DryRun && report.Errors.Count == 0) ? report
                    : throw new InvalidOperationException("Another site has taken it up.");
            }, cancel), Now);
        }
        catch (Exception) when (cancel.IsCancellationRequested)
        {
            await database.InSchool(school, connection => SentFiles.Leave(connection, id, worker), CancellationToken.None);
        }
        catch (Exception error)
        {
            // Nothing of it is kept: the page says so.
            failed(error.GetType().Name);
            await database.InSchool(school, connection => SentFiles.End(connection, id, worker, null, keepContent: false), cancel);
        }
        finally
        {
            await over.CancelAsync();
            await telling;
        }
    }

    /// <summary>Says how far it is, each time that this has changed, and that it goes on.</summary>
    private async Task Tell(
        SchoolId school, FileJobId id, Guid worker, FileBeingRead reading, Action<string> failed, CancellationToken over)
    {
        var (told, at) = ((Lines: -1, Done: 0), Now);
        try
        {
            while (true)
            {
                var now = (reading.Lines, reading.Done);
                if (now != told || Now - at > SentFiles.Turn / 4)
                {
                    await database.InSchool(school,
                        connection => SentFiles.Tell(connection, id, worker, reading.HoldsAnswers, now.Lines, now.Done), over);
                    (told, at) = (now, Now);
                }
                await Task.Delay(Between, clock, over);
            }
        }
        catch (Exception) when (over.IsCancellationRequested)
        {
            // It is done, or this site ends.
        }
        catch (Exception error)
        {
            failed(error.GetType().Name);
        }
    }
}
