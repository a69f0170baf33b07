using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using Umbick.Casework;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Children at tablets, each answering at a child's pace: without a browser, so that the site is what is measured.</summary>
/// <param name="site">The schools.</param>
/// <param name="address">The site that they answer at.</param>
/// <param name="school">Their school.</param>
/// <param name="pace">The time from one answer to the next, in the middle.</param>
public sealed partial class Tablets(Site site, Uri address, SchoolId school, TimeSpan pace)
{
    /// <summary>Those who hand out the tablets are few.</summary>
    private static readonly SemaphoreSlim Hands = new(8);

    private readonly Lock _lock = new();

    /// <summary>When each answer was sent, since all began, and the seconds after which the next item was there.</summary>
    public List<(TimeSpan Sent, double Seconds)> Times { get; } = [];

    /// <summary>Has each child answer in one sitting after the other, for so long.</summary>
    public async Task Play(IReadOnlyList<ChildId> children, TimeSpan howLong)
    {
        var devices = new List<(Visitor Device, SittingId Sitting)>();
        foreach (var child in children) devices.Add(await Open(child));
        var began = Stopwatch.StartNew();
        await Task.WhenAll(devices.Select((open, i) => Answer(open.Device, open.Sitting, children[i], i, began, howLong)));
    }

    private async Task<(Visitor Device, SittingId Sitting)> Open(ChildId child)
    {
        await Hands.WaitAsync();
        try
        {
            return await Begin(child);
        }
        finally
        {
            Hands.Release();
        }
    }

    private async Task<(Visitor Device, SittingId Sitting)> Begin(ChildId child)
    {
        var sitting = await site.App.InSchool(school, async connection =>
        {
            var asking = new Asking(site.Model, TimeProvider.System);
            if ((await Children.Find(connection, child))!.OpenAsking is { } open) await asking.Stop(connection, open);
            return (await asking.Start(connection, child, new AskingOptions(Delivery: DeliveryMode.OnChildsScreen)))!.Value;
        });
        var device = new Visitor(address);
        await device.Send("/go", "Begin", new() { ["code"] = await site.Code(school, sitting) });
        return (device, sitting);
    }

    private async Task Answer(Visitor device, SittingId sitting, ChildId child, int seed, Stopwatch began, TimeSpan howLong)
    {
        var (random, simulated) = (new Random(seed), site.Simulated("next-hour"));
        await Task.Delay(pace * random.NextDouble());
        while (began.Elapsed < howLong)
        {
            var page = await (await device.Get("/turn")).Content.ReadAsStringAsync();
            while (began.Elapsed < howLong && page.Contains("data-answer-form", StringComparison.Ordinal))
            {
                // The tablets share the site's two cores: they read no more of a page than they must.
                var fields = Hidden().Matches(page).ToDictionary(field => field.Groups["name"].Value, field => field.Groups["value"].Value);
                var item = (await site.Current(school, sitting)).Item;
                fields["raw"] = simulated.Answer(item, item.Task.OnScreen);
                var (sent, watch) = (began.Elapsed, Stopwatch.StartNew());
                var answer = await device.Swap("/turn?handler=answer", fields);
                lock (_lock) Times.Add((sent, watch.Elapsed.TotalSeconds));
                Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
                page = await answer.Content.ReadAsStringAsync();
                await Task.Delay(pace * (0.5 + random.NextDouble()));
            }
            device.Dispose();
            if (began.Elapsed < howLong) (device, sitting) = await Open(child);
        }
        device.Dispose();
    }

    /// <summary>How long children waited from a moment on, as a sentence.</summary>
    public string InWords(TimeSpan from) =>
        InWords("the next item is there after", [.. Times.Where(time => time.Sent >= from).Select(time => time.Seconds)]);

    /// <summary>Times in seconds, as a sentence.</summary>
    public static string InWords(string what, List<double> seconds)
    {
        seconds.Sort();
        string At(double share) => (seconds[(int)Math.Min(seconds.Count - 1, share * seconds.Count)] * 1000).ToString("0",
            CultureInfo.InvariantCulture);
        return $"{what} {At(0.5)} ms (median), {At(0.95)} ms (95 %), {At(1)} ms at most, {seconds.Count} times";
    }

    [GeneratedRegex("""<input(?=[^>]*\stype="hidden")(?=[^>]*\sname="(?<name>[^"]+)")(?=[^>]*\svalue="(?<value>[^"]*)")""")]
    private static partial Regex Hidden();
}
