using System.Globalization;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Umbick.Store;

namespace Umbick.Casework.Running;

/// <summary>
/// What is known of a site and its database, from which follows whether all is well. The page and the verb tell the same.
/// </summary>
public sealed record Wellness
{
    private static readonly TimeSpan OldBackup = TimeSpan.FromHours(50), OldCheck = TimeSpan.FromDays(35), SoonOver = TimeSpan.FromDays(21),
        ClocksApart = TimeSpan.FromMinutes(1);

    private const int ShownBackups = 5;

    private const long LittleRoom = 2_000_000_000;

    /// <summary>The moment, by the clock of the machine that asks.</summary>
    public required DateTime Now { get; init; }

    /// <summary>The moment by the clock of the database's machine.</summary>
    public required DateTime DatabaseNow { get; init; }

    /// <summary>The latest moment at which anything was noted as done; null where nothing was.</summary>
    public DateTime? LatestDeed { get; init; }

    /// <summary>The latest backups, the latest first.</summary>
    public required IReadOnlyList<BackupMade> Backups { get; init; }

    /// <summary>When a backup was last restored and counted; null where none was.</summary>
    public DateTime? LastChecked { get; init; }

    /// <summary>
    /// How large the database is, and what is free on the disk that holds it, in bytes; null where that disk is another machine's.
    /// </summary>
    public long DatabaseBytes { get; init; }

    public long? DiskFree { get; init; }

    /// <summary>Until when the certificate holds; null where the site has none of its own.</summary>
    public DateTime? CertificateEnds { get; init; }

    /// <summary>Whether the certificate cannot be read.</summary>
    public bool CertificateIsBroken { get; init; }

    /// <summary>Whether the database is older than this version.</summary>
    public bool IsBehind { get; init; }

    /// <summary>Whether the site runs an earlier version than the one that lies in the folder.</summary>
    public bool RunsEarlierVersion { get; init; }

    /// <summary>
    /// Whether the database has several hosts, and none but the one that is written to is waited for: an answer that is acknowledged is on
    /// one machine.
    /// </summary>
    public bool HasNoCopy { get; init; }

    /// <summary>Second steps that wrong codes have stopped within a day, by the names that colleagues know.</summary>
    public IReadOnlyList<string> StoppedSteps { get; init; } = [];

    /// <summary>What the database of a school tells.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="now">The moment, by the clock of the machine that asks.</param>
    /// <param name="isAhead">Whether that clock was set ahead, to look at the demonstration.</param>
    /// <param name="database">The site's connection to its database.</param>
    public static async Task<Wellness> Load(SchoolConnection connection, DateTime now, bool isAhead, string database)
    {
        var state = await Store.Backups.State(connection);
        return new Wellness
        {
            Now = now,
            DatabaseNow = isAhead ? now : state.DatabaseNow,
            LatestDeed = state.LatestDeed,
            Backups = await Store.Backups.Latest(connection, ShownBackups),
            LastChecked = state.LastChecked,
            DatabaseBytes = state.DatabaseBytes,
            HasNoCopy = DatabaseHosts.AreSeveral(database) && await Store.Backups.WaitsForNoCopy(connection),
            StoppedSteps = [.. (await DoorTries.StoppedSteps(connection)).Select(stopped => stopped.Name)],
        };
    }

    /// <summary>How many points of replays are kept for speed alone, and how many bytes they take.</summary>
    public static Task<(long Points, long Bytes)> KeptForSpeed(SchoolConnection connection) => ReplayPoints.Size(connection);

    /// <summary>What somebody should see to, in sentences.</summary>
    public IEnumerable<string> Worries
    {
        get
        {
            if (Backups.Count == 0) yield return "No backup has been made yet.";
            else if (Now - Backups[0].MadeAt > OldBackup) yield return $"The latest backup is {InWords(Now - Backups[0].MadeAt)} old.";
            if (Backups.Count > 0 && (LastChecked is not { } last || Now - last > OldCheck))
                yield return LastChecked is { } before
                    ? $"No backup was checked for {InWords(Now - before)}: ./umbick check-backup proves one."
                    : "No backup was ever checked: ./umbick check-backup proves one.";
            if (DiskFree is { } free && free < LittleRoom) yield return $"There is little room left on the disk: {Size(free)}.";
            if (CertificateIsBroken) yield return "The certificate cannot be read.";
            if (CertificateEnds is { } ends && ends - Now < SoonOver)
                yield return ends <= Now ? $"The certificate ended on {Day(ends)}."
                    : $"The certificate ends on {Day(ends)}. Once it is renewed in its file, the site uses it by itself.";
            if ((Now - DatabaseNow).Duration() > ClocksApart)
                yield return $"The clocks of the site and of its database are {InWords((Now - DatabaseNow).Duration())} apart: codes and "
                    + $"days go wrong.";
            if (LatestDeed is { } deed && deed - Now > ClocksApart)
                yield return $"The clock is behind: something was done at {deed:yyyy-MM-dd HH:mm} UTC already.";
            if (IsBehind) yield return "The database is older than this version: ./umbick upgrade.";
            if (RunsEarlierVersion)
                yield return "The site runs an earlier version than the one in its folder. Stop it, ./umbick upgrade, start it.";
            if (HasNoCopy)
                yield return "Of the database’s hosts only one is waited for: an answer that is kept is on one machine until the other is "
                    + "whole again.";
            foreach (var name in StoppedSteps) yield return StoppedStep(name);
        }
    }

    /// <summary>What is told of somebody whose second step wrong codes have closed.</summary>
    public static string StoppedStep(string name) =>
        $"{name}’s password was typed, and then twenty wrong codes within a day: the second step is closed. If it was not {name}, "
            + $"somebody knows the password: make a link for a new one.";

    /// <summary>Until when a certificate in a file holds.</summary>
    /// <param name="path">The file; null or empty where there is none.</param>
    public static (DateTime? Ends, bool IsBroken) Certificate(string? path)
    {
        if (path is not { Length: > 0 }) return (null, false);
        try
        {
            using var certificate = X509CertificateLoader.LoadCertificateFromFile(path);
            return (certificate.NotAfter.ToUniversalTime(), false);
        }
        catch (Exception broken) when (broken is CryptographicException or IOException or UnauthorizedAccessException)
        {
            return (null, true);
        }
    }

    /// <summary>What is free, and how much there is, on the disk of a folder; null where the folder cannot be seen.</summary>
    public static (long Free, long All)? Disk(string folder)
    {
        if (!Directory.Exists(folder)) return null;
        var drive = new DriveInfo(folder);
        return (drive.AvailableFreeSpace, drive.TotalSize);
    }

    /// <summary>A number of bytes, as people say it.</summary>
    public static string Size(long bytes) => bytes switch
    {
        >= 1_000_000_000 => string.Create(CultureInfo.InvariantCulture, $"{bytes / 1e9:0.#} GB"),
        >= 1_000_000 => string.Create(CultureInfo.InvariantCulture, $"{bytes / 1e6:0} MB"),
        _ => string.Create(CultureInfo.InvariantCulture, $"{Math.Max(1, bytes / 1000)} kB"),
    };

    private static string Day(DateTime moment) => moment.ToString("d MMMM yyyy", CultureInfo.InvariantCulture);

    private static string InWords(TimeSpan time) => time switch
    {
        { TotalMinutes: < 120 } => $"{time.TotalMinutes:0} minutes",
        { TotalDays: < 2 } => $"{time.TotalHours:0} hours",
        _ => $"{time.TotalDays:0} days",
    };
}
