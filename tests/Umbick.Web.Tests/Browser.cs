using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;

namespace Umbick.Web.Tests;

/// <summary>A real browser. Things are found by label, by what stands on them, or by a data hook, and states are waited for.</summary>
public sealed class Browser : IDisposable
{
    private readonly ChromeDriver _driver;
    private readonly DirectoryInfo _profile = Directory.CreateTempSubdirectory("umbick-browser");
    private readonly Uri _address;

    public Browser(Uri address, int width = 1280, int height = 800)
    {
        _address = address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--disable-gpu", "--disable-quic", "--no-first-run",
            "--disable-background-networking", "--disable-component-update", "--disable-sync", $"--user-data-dir={_profile.FullName}");
        _driver = new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
        Resize(width, height);
    }

    public string Path => new Uri(_driver.Url).AbsolutePath;

    public string Text => Find("body").Text;

    public void Resize(int width, int height) => _driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride", new Dictionary<string, object?>
    {
        ["width"] = width,
        ["height"] = height,
        ["deviceScaleFactor"] = 1,
        ["mobile"] = false,
    });

    public void Open(string path) => _driver.Navigate().GoToUrl(new Uri(_address, path));

    public void Back() => _driver.Navigate().Back();

    public IWebElement Find(string css) => Until(() => _driver.FindElement(By.CssSelector(css)));

    public int Count(string css) => _driver.FindElements(By.CssSelector(css)).Count;

    public bool Has(string css) => Count(css) > 0;

    /// <summary>A link or press by what stands on it.</summary>
    public IWebElement Press(string words) =>
        Until(() => _driver.FindElements(By.CssSelector("a, button, summary")).First(element => element.Displayed && element.Text.Contains(words, StringComparison.Ordinal)));

    public void Click(string words) => Press(words).Click();

    public void Await(string css) => Until(() => Has(css) ? new object() : null);

    public void AwaitGone(string css) => Until(() => Has(css) ? null : new object());

    public void AwaitText(string text) => Until(() => Text.Contains(text, StringComparison.Ordinal) ? new object() : null);

    public void AwaitPath(string start) => Until(() => Path.StartsWith(start, StringComparison.Ordinal) ? new object() : null);

    /// <summary>Sends keys to whatever has the focus.</summary>
    public void Type(string keys) => new Actions(_driver).SendKeys(keys).Perform();

    /// <summary>Goes one back with Shift and Tab.</summary>
    public void TabBack() => new Actions(_driver).KeyDown(Keys.Shift).SendKeys(Keys.Tab).KeyUp(Keys.Shift).Perform();

    /// <summary>Goes on with Tab until something with this label or these words has the focus.</summary>
    public void TabTo(string words)
    {
        for (var i = 0; i < 120; i++)
        {
            var name = (string)_driver.ExecuteScript(
                "const e = document.activeElement; return (e.ariaLabel ?? '') + ' ' + (e.labels?.[0]?.textContent ?? '') + ' ' + (e === document.body ? '' : e.textContent ?? '');")!;
            if (name.Contains(words, StringComparison.Ordinal)) return;
            Type(Keys.Tab);
        }
        Assert.Fail($"Tab never reached “{words}”.");
    }

    /// <summary>Drags from one place of a board to another; places are fractions of its radius round its middle, degrees from the top.</summary>
    public void Drag(string css, (double Degrees, double Radius) from, (double Degrees, double Radius) to)
    {
        var board = Find(css);
        var middle = (X: board.Location.X + (board.Size.Width / 2.0), Y: board.Location.Y + (board.Size.Height / 2.0));
        var radius = board.Size.Width / 2.0;
        var half = (from.Degrees + to.Degrees) / 2;
        var actions = new Actions(_driver);
        var (x, y) = At(from);
        actions.MoveToLocation(x, y).ClickAndHold();
        foreach (var place in new[] { (half, to.Radius), to })
        {
            (x, y) = At(place);
            actions.MoveToLocation(x, y);
        }
        actions.Release().Perform();

        (int X, int Y) At((double Degrees, double Radius) place)
        {
            var radians = place.Degrees * Math.PI / 180;
            return ((int)Math.Round(middle.X + (radius * place.Radius * Math.Sin(radians))), (int)Math.Round(middle.Y - (radius * place.Radius * Math.Cos(radians))));
        }
    }

    public T Script<T>(string script) => (T)_driver.ExecuteScript(script)!;

    /// <summary>What the accessibility checker has against the page, a line a finding.</summary>
    public IReadOnlyList<string> Axe()
    {
        _driver.ExecuteScript(File.ReadAllText(System.IO.Path.Combine(Site.Setting("UMBICK_ROOT"), "node_modules", "axe-core", "axe.min.js")));
        var found = (IReadOnlyCollection<object>)_driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"] })
              .then(result => done(result.violations.map(v => v.id + ": " + v.nodes.map(n => n.html).slice(0, 2).join(" | "))));
            """)!;
        return [.. found.Cast<string>()];
    }

    public void Picture(string file) => _driver.GetScreenshot().SaveAsFile(file);

    public void Dispose()
    {
        _driver.Quit();
        _driver.Dispose();
        _profile.Delete(recursive: true);
    }

    private T Until<T>(Func<T?> state) where T : class
    {
        var wait = new WebDriverWait(_driver, TimeSpan.FromSeconds(20));
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(NoSuchElementException), typeof(InvalidOperationException));
        return wait.Until(_ => state())!;
    }
}
