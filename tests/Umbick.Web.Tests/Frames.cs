using System.Globalization;
using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Chromium;
using OpenQA.Selenium.Interactions;

namespace Umbick.Web.Tests;

/// <summary>Measures how smoothly the big clock is dragged, by the browser's own trace: <c>./umbick bench frames</c> runs it; the tests do not. It tells, and asserts no time.</summary>
public sealed class Frames(Site site) : IClassFixture<Site>
{
    private const int Turns = 6;
    private const int StepsATurn = 60;

    [Fact(Explicit = true)]
    [Trait("Kind", "Frames")]
    public void While_a_hand_is_dragged()
    {
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium", PerformanceLoggingPreferences = new ChromiumPerformanceLoggingPreferences { IsCollectingNetworkEvents = false, IsCollectingPageEvents = false } };
        options.PerformanceLoggingPreferences.AddTracingCategories("devtools.timeline.frame", "devtools.timeline");
        options.SetLoggingPreference("performance", LogLevel.All);
        options.AddArguments("--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--disable-gpu", "--window-size=1280,900");
        using var driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        driver.Navigate().GoToUrl(site.Address);
        driver.FindElement(By.XPath("//button[.='Look round']")).Click();
        driver.Navigate().GoToUrl(new Uri(site.Address, "/clock"));
        driver.Manage().Logs.GetLog("performance");
        Drag(driver);
        var frames = driver.Manage().Logs.GetLog("performance").SelectMany(entry => DrawnAt(entry.Message)).Order().ToList();
        // A pause before and after the drag is no frame that came late.
        var apart = frames.Zip(frames.Skip(1), (earlier, later) => (later - earlier) / 1000).Where(milliseconds => milliseconds < 200).Order().ToList();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"frames: {apart.Count} drawn in {Turns} turns; apart by {At(apart, 0.5):0.0} ms in the middle, {At(apart, 0.95):0.0} at 95 %, {At(apart, 0.99):0.0} at 99 %; {apart.Count(one => one > 20)} later than 20"));
        Assert.NotEmpty(apart);
    }

    private static double At(List<double> sorted, double share) => sorted.Count == 0 ? double.NaN : sorted[(int)((sorted.Count - 1) * share)];

    private static void Drag(ChromeDriver driver)
    {
        var board = driver.FindElement(By.CssSelector("[data-hands]"));
        var box = (Dictionary<string, object>)driver.ExecuteScript("const r = arguments[0].getBoundingClientRect(); return { x: r.x + r.width / 2, y: r.y + r.height / 2, r: r.width / 2 }", board)!;
        var (x, y, radius) = (Number(box["x"]), Number(box["y"]), Number(box["r"]) * 0.6);
        var mouse = new PointerInputDevice(PointerKind.Mouse, "mouse");
        var drag = new ActionSequence(mouse).AddAction(To(60)).AddAction(mouse.CreatePointerDown(MouseButton.Left));
        for (var step = 1; step <= Turns * StepsATurn; step++) drag.AddAction(To(60 + (step * 360.0 / StepsATurn)));
        driver.PerformActions([drag.AddAction(mouse.CreatePointerUp(MouseButton.Left))]);

        Interaction To(double degrees) => mouse.CreatePointerMove(
            CoordinateOrigin.Viewport, (int)Math.Round(x + (radius * Math.Sin(degrees * Math.PI / 180))), (int)Math.Round(y - (radius * Math.Cos(degrees * Math.PI / 180))), TimeSpan.FromMilliseconds(16));

        static double Number(object value) => Convert.ToDouble(value, CultureInfo.InvariantCulture);
    }

    /// <summary>When frames were drawn, in microseconds, by one line of the trace.</summary>
    private static IEnumerable<double> DrawnAt(string line)
    {
        var message = JsonDocument.Parse(line).RootElement.GetProperty("message");
        if (message.GetProperty("method").GetString() != "Tracing.dataCollected") yield break;
        var traced = message.GetProperty("params");
        if (traced.TryGetProperty("name", out var name) && name.GetString() == "DrawFrame") yield return traced.GetProperty("ts").GetDouble();
    }
}
