using System.Diagnostics;
using Umbick.Casework.Running;

namespace Umbick.Web.Tests;

/// <summary>A process of the site that answers. Disposing it ends it at once, as a fault would.</summary>
public sealed class SiteProcess : IDisposable
{
    private readonly Process _process;

    private SiteProcess(Uri address, Process process) => (Address, _process) = (address, process);

    public Uri Address { get; }

    /// <summary>The memory that it holds now, in megabytes.</summary>
    public long Megabytes
    {
        get
        {
            _process.Refresh();
            return _process.WorkingSet64 / 1_000_000;
        }
    }

    /// <summary>The processor time that it has taken.</summary>
    public TimeSpan Processor => ProcessorOf(_process.Id);

    /// <summary>The processor time that a process has taken; none where it is gone.</summary>
    public static TimeSpan ProcessorOf(int id)
    {
        // The name, in brackets, may have spaces: the ticks of a hundredth of a second are counted from behind it.
        if (!File.Exists($"/proc/{id}/stat")) return TimeSpan.Zero;
        var behindName = File.ReadAllText($"/proc/{id}/stat").Split(')')[^1].Split(' ');
        return TimeSpan.FromMilliseconds(10 * (int.Parse(behindName[12], System.Globalization.CultureInfo.InvariantCulture)
            + int.Parse(behindName[13], System.Globalization.CultureInfo.InvariantCulture)));
    }

    /// <summary>The most that it has held, in megabytes.</summary>
    public long PeakMegabytes =>
        long.Parse(File.ReadLines($"/proc/{_process.Id}/status").First(line => line.StartsWith("VmHWM:", StringComparison.Ordinal))
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)[^2], System.Globalization.CultureInfo.InvariantCulture) / 1000;

    /// <summary>Has the most begin again with what it holds now.</summary>
    public void ForgetPeak() => File.WriteAllText($"/proc/{_process.Id}/clear_refs", "5");

    /// <summary>Starts a process and waits until it answers.</summary>
    /// <param name="address">Where it answers.</param>
    /// <param name="database">Its connection to the database; null for the usual one.</param>
    /// <param name="asked">What it is asked until it answers.</param>
    /// <param name="ahead">How far its clock runs ahead.</param>
    /// <param name="settings">Variables that it is started with.</param>
    /// <param name="forAll">Whether it is the one that all tests ask; another is asked too little to be warmed up.</param>
    public static async Task<SiteProcess> Start(Uri address, string? database = null, string asked = "/ready", TimeSpan ahead = default,
        Dictionary<string, string>? settings = null, bool forAll = false)
    {
        var root = Site.Setting("UMBICK_ROOT");
        var start = new ProcessStartInfo("dotnet",
            [$"{root}/artifacts/publish/Umbick.Web/release/Umbick.Web.dll", "--contentRoot", $"{root}/artifacts/publish/Umbick.Web/release",
                "--urls", address.ToString()])
        {
            RedirectStandardOutput = true,
        };
        start.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        start.Environment["UMBICK_ROUND_TRIPS"] = "told";
        if (!forAll) start.Environment[WarmUp.Variable] = "no";
        if (database is not null) start.Environment["UMBICK_APP"] = database;
        if (ahead != default) start.Environment[AheadClock.Variable] =
            ahead.TotalHours.ToString(System.Globalization.CultureInfo.InvariantCulture);
        foreach (var (name, value) in settings ?? []) start.Environment[name] = value;
        var process = Process.Start(start)!;
        // What the site logs stands in the run's own output, so that a test that fails can be understood from it.
        process.OutputDataReceived += (_, line) => Console.Write(line.Data is null ? "" : $"{line.Data}\n");
        process.BeginOutputReadLine();
#pragma warning disable CA5399, CA5400, CA5359 // What a test starts may have a certificate that the test has made.
        using var handler = new HttpClientHandler { ServerCertificateCustomValidationCallback = (_, _, _, _) => true };
#pragma warning restore CA5399, CA5400, CA5359
        using var client = new HttpClient(handler) { BaseAddress = address };
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(180));
        while (!await Answers(client, asked))
        {
            Assert.False(process.HasExited, "the site stopped while starting");
            await Task.Delay(100, patience.Token);
        }
        return new SiteProcess(address, process);
    }

    /// <summary>Tells it to stop, as an administrator would, and waits until it has.</summary>
    /// <returns>What it ended with.</returns>
    public async Task<int> Stop()
    {
        using (var told = Process.Start("kill", ["-TERM", $"{_process.Id}"])) await told.WaitForExitAsync();
        await _process.WaitForExitAsync();
        return _process.ExitCode;
    }

    /// <summary>Stops all that it does without ending it, or has it go on.</summary>
    public void Freeze(bool frozen) => Cluster.Part.Signal(frozen ? "STOP" : "CONT", _process.Id);

    public void Dispose()
    {
        _process.Kill();
        _process.WaitForExit();
        _process.Dispose();
    }

    private static async Task<bool> Answers(HttpClient client, string asked)
    {
        try
        {
            using var answer = await client.GetAsync(new Uri(asked, UriKind.Relative));
            return answer.IsSuccessStatusCode;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }
}
