using System.Reflection;
using Microsoft.AspNetCore.Authorization;
using Umbick.Casework.Running;
using Umbick.Core.Diagnosis;

namespace Umbick.Web.Pages.SchoolRun;

/// <summary>Whether all is well with the site: backups, disk, errors, what waits.</summary>
[Authorize(Who.InCharge)]
public sealed class WellModel(IDatabase database, SiteMeters meters, IConfiguration configuration, IWebHostEnvironment environment,
    TimeProvider clock, RenewalList renewal) : SchoolPage(database)
{
    public SiteMeters Meters => meters;

    public Wellness Found { get; private set; } = null!;

    /// <summary>How large the disk is that holds the data, in bytes; null where it is another machine's.</summary>
    public long? DiskSize { get; private set; }

    public string Version { get; } =
        typeof(WellModel).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()?.InformationalVersion.Split(
            '+') is [var number, .. var rest]
        ? rest is [{ Length: > 10 } commit] ? $"{number} ({commit[..10]})" : number : "";

    public string Engine => ReadingModel.Version;

    /// <summary>How many children of the school are still to be brought up to date.</summary>
    public int Behind => renewal.Left(User.Person().School);

    /// <summary>How many points of replays are kept, and how many bytes they take.</summary>
    public (long Points, long Bytes) KeptForSpeed { get; private set; }

    /// <summary>What somebody should see to, in sentences.</summary>
    public IReadOnlyList<string> Worries { get; private set; } = [];

    public async Task OnGet()
    {
        meters.Refresh();
        var disk = Wellness.Disk(configuration["UMBICK_DATA"] is { Length: > 0 } data ? data : environment.ContentRootPath);
        DiskSize = disk?.All;
        var (ends, broken) = Wellness.Certificate(configuration["UMBICK_CERTIFICATE"]);
        (var known, KeptForSpeed) = await InSchool(async connection => (
            await Wellness.Load(connection, clock.GetUtcNow().UtcDateTime, IsAhead, configuration["UMBICK_APP"]!),
            await Wellness.KeptForSpeed(connection)));
        Found = known with { DiskFree = disk?.Free, CertificateEnds = ends, CertificateIsBroken = broken };
        Worries = [.. Found.Worries];
        if (meters.Failed > 0 && meters.LastFailedAt > Found.Now.AddDays(-1))
            Worries = [.. Worries, "Something went wrong within the last day; the log on the server says what."];
    }

    /// <summary>Whether the site's clock was set ahead, to look at the demonstration.</summary>
    private bool IsAhead => configuration[Casework.Running.AheadClock.Variable] is { Length: > 0 };
}
