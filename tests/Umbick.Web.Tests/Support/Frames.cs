using System.Globalization;
using System.Net.WebSockets;
using System.Text;
using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;

namespace Umbick.Web.Tests;

/// <summary>
/// Measures how smoothly the big clock is dragged, by the browser's own trace: <c>./umbick bench frames</c> runs it; the tests do not. It
/// tells, and asserts no time.
/// </summary>
public sealed class Frames(Site site) : IClassFixture<Site>
{
    private const int Turns = 6;
    private const int StepsATurn = 180;

    [Fact(Explicit = true)]
    [Trait("Kind", "Frames")]
    public async Task While_a_hand_is_dragged()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments("--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--disable-gpu", "--window-size=1280,900");
        using var driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        driver.Navigate().GoToUrl(site.Address);
        driver.FindElement(By.XPath("//button[.='Look round']")).Click();
        driver.Navigate().GoToUrl(new Uri(site.Address, "/clock"));
        var at = (string)((Dictionary<string, object>)driver.Capabilities.GetCapability("goog:chromeOptions")!)["debuggerAddress"];
        using var trace = await Trace.Begin(at);
        Drag(driver);
        var frames = (await trace.End()).Where(each => each.Name == "DrawFrame").Select(each => each.At).Order().ToList();
        // A pause before and after the drag is no frame that came late.
        var apart = frames.Zip(frames.Skip(1), (earlier, later) => (later - earlier) / 1000).Where(milliseconds => milliseconds < 200)
            .Order().ToList();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"frames: {apart.Count} drawn in {Turns} turns; apart by {At(apart, 0.5):0.0} ms in the middle, {At(apart, 0.95):0.0} at 95 "
                + $"%, {At(apart, 0.99):0.0} at 99 %; {apart.Count(number => number > 20)} later than 20"));
        Assert.NotEmpty(apart);
    }

    private static double At(List<double> sorted, double share) => sorted.Count == 0 ? double.NaN
        : sorted[(int)((sorted.Count - 1) * share)];

    private static void Drag(ChromeDriver driver)
    {
        var board = driver.FindElement(By.CssSelector("[data-hands]"));
        var box = (Dictionary<string,
            object>)driver.ExecuteScript(
                "const r = arguments[0].getBoundingClientRect(); return { x: r.x + r.width / 2, y: r.y + r.height / 2, r: r.width / 2 }",
                board)!;
        var (x, y, radius) = (Number(box["x"]), Number(box["y"]), Number(box["r"]) * 0.6);
        var mouse = new PointerInputDevice(PointerKind.Mouse, "mouse");
        var drag = new ActionSequence(mouse).AddAction(To(60)).AddAction(mouse.CreatePointerDown(MouseButton.Left));
        for (var step = 1; step <= Turns * StepsATurn; step++) drag.AddAction(To(60 + (step * 360.0 / StepsATurn)));
        driver.PerformActions([drag.AddAction(mouse.CreatePointerUp(MouseButton.Left))]);

        Interaction To(double degrees) => mouse.CreatePointerMove(
            CoordinateOrigin.Viewport, (int)Math.Round(x + (radius * Math.Sin(degrees * Math.PI / 180))),
            (int)Math.Round(y - (radius * Math.Cos(degrees * Math.PI / 180))), TimeSpan.FromMilliseconds(4));

        static double Number(object value) => Convert.ToDouble(value, CultureInfo.InvariantCulture);
    }

    /// <summary>The browser's own trace, over its debugging socket.</summary>
    private sealed class Trace : IDisposable
    {
        private readonly ClientWebSocket _socket = new();

        public static async Task<Trace> Begin(string address)
        {
            using var http = new HttpClient();
            var version = JsonDocument.Parse(await http.GetStringAsync(new Uri($"http://{address}/json/version"))).RootElement;
            var trace = new Trace();
            await trace._socket.ConnectAsync(new Uri(version.GetProperty("webSocketDebuggerUrl").GetString()!), CancellationToken.None);
            await trace.Send("""{"id":1,"method":"Tracing.start","params":{"transferMode":"ReportEvents","traceConfig":{"includedCategories":["disabled-by-default-devtools.timeline.frame"]}}}""");
            while (!(await trace.Heard()).TryGetProperty("id", out _)) { }
            return trace;
        }

        /// <summary>What was traced, with when it happened, in microseconds.</summary>
        public async Task<IReadOnlyList<(string Name, double At)>> End()
        {
            await Send("""{"id":2,"method":"Tracing.end"}""");
            var traced = new List<(string, double)>();
            while (await Heard() is var heard && !IsLast(heard))
            {
                if (!heard.TryGetProperty("params", out var told) || !told.TryGetProperty("value", out var events)) continue;
                traced.AddRange(events.EnumerateArray()
                    .Select(element => (element.GetProperty("name").GetString()!, element.GetProperty("ts").GetDouble())));
            }
            return traced;
        }

        public void Dispose() => _socket.Dispose();

        private static bool IsLast(JsonElement heard) => heard.TryGetProperty("method", out var method)
            && method.GetString() == "Tracing.tracingComplete";

        private Task Send(string message) =>
            _socket.SendAsync(Encoding.UTF8.GetBytes(message), WebSocketMessageType.Text, endOfMessage: true, CancellationToken.None);

        private async Task<JsonElement> Heard()
        {
            using var message = new MemoryStream();
            var buffer = new byte[1 << 16];
            WebSocketReceiveResult part;
            do
            {
                part = await _socket.ReceiveAsync(buffer, CancellationToken.None);
                message.Write(buffer, 0, part.Count);
            }
            while (!part.EndOfMessage);
            return JsonDocument.Parse(message.ToArray()).RootElement;
        }
    }
}
