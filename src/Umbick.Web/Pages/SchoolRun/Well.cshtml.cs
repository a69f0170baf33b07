using System.Reflection;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Umbick.Core.Diagnosis;
using Umbick.Store;
using Umbick.Web.Security;

namespace Umbick.Web.Pages.SchoolRun;

/// <summary>Whether all is well with the site: backups, disk, errors, what waits.</summary>
[Authorize(Who.InCharge)]
public sealed class WellModel(Database database, SiteMeters meters, IConfiguration configuration, IWebHostEnvironment environment, TimeProvider clock) : PageModel
{
    private const int ShownBackups = 5;

    /// <summary>A backup that is older is told of.</summary>
    private static readonly TimeSpan Old = TimeSpan.FromHours(50);

    /// <summary>Less room on the disk is told of, in bytes.</summary>
    private const long LittleRoom = 2_000_000_000;

    public SiteMeters Meters => meters;

    public IReadOnlyList<BackupMade> Backups { get; private set; } = [];

    public long DatabaseBytes { get; private set; }

    /// <summary>What is free on the disk that holds the data, and how large that is, in bytes.</summary>
    public (long Free, long All) Disk { get; private set; }

    public DateTime Now { get; private set; }

    public string Version { get; } = typeof(WellModel).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()?.InformationalVersion.Split('+') is [var number, .. var rest]
        ? rest is [{ Length: > 10 } commit] ? $"{number} ({commit[..10]})" : number : "";

    public string Engine => ReadingModel.Version;

    /// <summary>What somebody should see to, in sentences.</summary>
    public IReadOnlyList<string> Worries { get; private set; } = [];

    public async Task OnGet()
    {
        meters.Refresh();
        Now = clock.GetUtcNow().UtcDateTime;
        (Backups, DatabaseBytes) = await database.InSchool(
            User.Person().School, async connection => (await Store.Backups.Latest(connection, ShownBackups), await Store.Backups.DatabaseBytes(connection)), HttpContext.RequestAborted);
        var drive = new DriveInfo(configuration["UMBICK_DATA"] is { Length: > 0 } data ? data : environment.ContentRootPath);
        Disk = (drive.AvailableFreeSpace, drive.TotalSize);
        Worries = [.. Found()];
    }

    private IEnumerable<string> Found()
    {
        if (Backups.Count == 0) yield return "No backup has been made yet.";
        else if (Now - Backups[0].MadeAt > Old) yield return $"The latest backup is {Days(Now - Backups[0].MadeAt)} old.";
        if (Disk.Free < LittleRoom) yield return $"There is little room left on the disk: {Size(Disk.Free)}.";
        if (meters.Failed > 0 && meters.LastFailedAt > Now.AddDays(-1)) yield return "Something went wrong within the last day; the log on the server says what.";
    }

    /// <summary>A number of bytes, as people say it.</summary>
    public static string Size(long bytes) => bytes switch
    {
        >= 1_000_000_000 => $"{bytes / 1e9:0.#} GB",
        >= 1_000_000 => $"{bytes / 1e6:0} MB",
        _ => $"{Math.Max(1, bytes / 1000)} kB",
    };

    private static string Days(TimeSpan time) => time.TotalDays < 2 ? $"{time.TotalHours:0} hours" : $"{time.TotalDays:0} days";
}
