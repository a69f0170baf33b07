using System.Collections.Concurrent;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;
using Cookie = System.Net.Cookie;
using PointerInputDevice = OpenQA.Selenium.Interactions.PointerInputDevice;

namespace Umbick.Web.Tests;

/// <summary>A real browser. Things are found by label, by what stands on them, or by a data hook, and states are waited for.</summary>
public sealed class Browser : IDisposable
{
    /// <summary>Browsers that stand ready: to start one takes a second, to clean one a tenth.</summary>
    private static readonly ConcurrentBag<(ChromeDriver Driver, DirectoryInfo Profile)> Ready = [];

    private static readonly string AxeCore =
        File.ReadAllText(System.IO.Path.Combine(Site.Setting("UMBICK_ROOT"), "node_modules", "axe-core", "axe.min.js"));

    private readonly ChromeDriver _driver;
    private readonly DirectoryInfo _profile;
    private readonly Uri _address;
    private string? _axe;

    private readonly string? _film;

    /// <summary>Opens a browser; what its camera sees is a film from <see cref="CameraPicture"/>, where it has one.</summary>
    public Browser(Uri address, int width = 1280, int height = 800, string? film = null)
    {
        (_address, _film) = (address, film);
        (_driver, _profile) = film is null && Ready.TryTake(out var ready) ? ready : Started(film);
        _driver.ExecuteCdpCommand("Emulation.setFocusEmulationEnabled", new() { ["enabled"] = true });
        Resize(width, height);
    }

    private static (ChromeDriver Driver, DirectoryInfo Profile) Started(string? film)
    {
        var profile = Directory.CreateTempSubdirectory("umbick-browser");
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-dev-shm-usage", "--disable-gpu", "--disable-quic", "--no-first-run",
            "--disable-background-networking", "--disable-component-update", "--disable-sync", "--disable-extensions", "--in-process-gpu",
            $"--user-data-dir={profile.FullName}");
        if (film is not null)
        {
            options.AddArguments(
                "--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream", $"--use-file-for-fake-video-capture={film}");
        }
        return (new ChromeDriver(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options), profile);
    }

    /// <summary>A browser in which a teacher is signed in.</summary>
    public static Browser SignedIn(Uri address, string teacher, int width = 1280, int height = 800, string? film = null)
    {
        var browser = new Browser(address, width, height, film);
        browser.BeginSession(teacher);
        return browser;
    }

    /// <summary>Begins a session as in another window. Each browser has one of its own: what one ends is not another's.</summary>
    public void BeginSession(string teacher)
    {
        var cookie = CookieOf(_address, teacher).GetAwaiter().GetResult();
        _driver.ExecuteCdpCommand("Network.setCookie",
            new() { ["name"] = cookie.Name, ["value"] = cookie.Value, ["url"] = _address.ToString(), ["httpOnly"] = true });
    }

    private static async Task<Cookie> CookieOf(Uri address, string teacher)
    {
        using var visitor = new Visitor(address);
        await visitor.Send("/", "Sign in", new() { ["userName"] = teacher, ["password"] = Site.Password });
        return visitor.Cookies.Single(cookie => cookie.Name == "umbick");
    }

    public void SignIn(string teacher)
    {
        Open("/");
        Find("[name=userName]").SendKeys(teacher);
        Find("[name=password]").SendKeys(Site.Password);
        Click("Sign in");
        AwaitPath("/day");
    }

    public string Path => new Uri(_driver.Url).AbsolutePath;

    /// <summary>What can be read on the page, taken at one moment: a part that is swapped meanwhile cannot tear it.</summary>
    public string Text => Script<string>("return document.body.innerText");

    public void Resize(int width, int height) =>
        _driver.ExecuteCdpCommand("Emulation.setDeviceMetricsOverride", new Dictionary<string, object?>
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
        Until(() => _driver.FindElements(By.CssSelector("a, button, summary"))
            .First(element => element.Displayed && element.Text.Contains(words, StringComparison.Ordinal)));

    public void Click(string words)
    {
        AwaitOpen();
        Press(words).Click();
    }

    /// <summary>Presses one place twice, as soon after each other as this many milliseconds, whatever lies there by then.</summary>
    public void DoubleClick(string css, int apart)
    {
        var place = Find(css);
        var (x, y) = (place.Location.X + (place.Size.Width / 2), place.Location.Y + (place.Size.Height / 2));
        new Actions(_driver).MoveToLocation(x, y).Click().Pause(TimeSpan.FromMilliseconds(apart)).Click().Perform();
    }

    /// <summary>Puts a value into a field that the browser fills in its own way, as a time.</summary>
    public void Put(string css, string value) => _driver.ExecuteScript(
        "arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('input', { bubbles: true }))", Find(css), value);

    /// <summary>Presses what a hook finds.</summary>
    public void ClickOn(string css)
    {
        AwaitOpen();
        Find(css).Click();
    }

    /// <summary>Waits until a child's question has been shown for long enough to be seen: before that no press counts.</summary>
    public void AwaitOpen() =>
        AwaitScript("const turn = document.getElementById('turn'); return !turn?.querySelector('form') || turn.dataset.open === 'yes' || "
            + "turn.dataset.sending === 'yes'");

    /// <summary>Types into a field in place of what stood there.</summary>
    public void Fill(string css, string text)
    {
        Find(css).Clear();
        Find(css).SendKeys(text);
    }

    public void Await(string css) => Until(() => Has(css) ? new object() : null);

    /// <summary>Waits until a script says yes.</summary>
    public void AwaitScript(string script) => Until(() => Script<bool>(script) ? new object() : null);

    /// <summary>What this address answers to the browser, with its cookies.</summary>
    public string Fetch(string path) =>
        (string)_driver.ExecuteAsyncScript(
            "const done = arguments[arguments.length - 1]; fetch(arguments[0]).then(answer => answer.text()).then(done)", path)!;

    public void AwaitGone(string css) => Until(() => Has(css) ? null : new object());

    /// <summary>Waits until something can be told, and tells it.</summary>
    public string UntilTold(Func<string?> tell) => Until(tell);

    public void AwaitText(string text)
    {
        try
        {
            Until(() => Text.Contains(text, StringComparison.Ordinal) ? new object() : null);
        }
        catch (WebDriverTimeoutException)
        {
            Assert.Contains(text, Text, StringComparison.Ordinal);
        }
    }

    /// <summary>Waits for a path; for what comes under it, where it ends in a stroke.</summary>
    public void AwaitPath(string path) =>
        Until(() => Path == path || (path.EndsWith('/') && Path.StartsWith(path, StringComparison.Ordinal)) ? new object() : null);

    /// <summary>Sends keys to whatever has the focus.</summary>
    public void Type(string keys) => new Actions(_driver).SendKeys(keys).Perform();

    /// <summary>Sends keys one after the other without waiting for anything, as somebody types who does not look.</summary>
    /// <param name="keys">The keys.</param>
    /// <param name="pace">The time from key to key, in milliseconds.</param>
    public void TypeBlind(string keys, int pace)
    {
        var typing = new Actions(_driver);
        foreach (var key in keys) typing.KeyDown($"{key}").KeyUp($"{key}").Pause(TimeSpan.FromMilliseconds(pace));
        typing.Perform();
    }

    /// <summary>Forgets who is signed in, as when a session ends.</summary>
    public void ForgetCookies() => _driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);

    /// <summary>Forgets every file it has kept, as on a first visit.</summary>
    public void ForgetFiles() => _driver.ExecuteCdpCommand("Network.clearBrowserCache", []);

    /// <summary>How much has moved on the page while it came, as browsers count it: 0 is nothing.</summary>
    public double Shifted() => Convert.ToDouble(
        _driver.ExecuteAsyncScript(
            """
            const done = arguments[arguments.length - 1];
            let sum = 0;
            const add = (entries) => { for (const entry of entries) if (!entry.hadRecentInput) sum += entry.value; };
            const observer = new PerformanceObserver((list) => add(list.getEntries()));
            observer.observe({ type: "layout-shift", buffered: true });
            requestAnimationFrame(() => setTimeout(() => { add(observer.takeRecords()); done(sum); }));
            """),
        System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Goes one back with Shift and Tab.</summary>
    public void TabBack() => new Actions(_driver).KeyDown(Keys.Shift).SendKeys(Keys.Tab).KeyUp(Keys.Shift).Perform();

    /// <summary>Types with Shift held down.</summary>
    public void TypeShifted(string keys) => new Actions(_driver).KeyDown(Keys.Shift).SendKeys(keys).KeyUp(Keys.Shift).Perform();

    /// <summary>Types keys while Control is held.</summary>
    public void TypeWithControl(string keys) =>
        new Actions(_driver).KeyDown(Keys.Control).SendKeys(keys).KeyUp(Keys.Control).Perform();

    /// <summary>Gives something the focus, where the test is not about the way there.</summary>
    public void Focus(string css) => _driver.ExecuteScript("arguments[0].focus()", Find(css));

    /// <summary>The label round a field, which is what a finger meets.</summary>
    public IWebElement LabelOf(string css) => (IWebElement)_driver.ExecuteScript("return arguments[0].labels[0]", Find(css))!;

    /// <summary>Goes back with Shift and Tab until something with this label or these words has the focus.</summary>
    public void TabBackTo(string words) => Reach(words, TabBack);

    /// <summary>Goes on with Tab until something with this label or these words has the focus.</summary>
    public int TabTo(string words) => Reach(words, () => Type(Keys.Tab));

    /// <summary>Goes at most once round the page, which is as long as the tests before have made it.</summary>
    private int Reach(string words, Action step)
    {
        var stops = Script<long>(
            "return document.querySelectorAll('a[href], button, input, select, textarea, summary, [tabindex]').length");
        for (var i = 0; i <= stops + 1; i++)
        {
            var name = Script<string>(
                "const e = document.activeElement; return (e.ariaLabel ?? '') + ' ' + (e.labels?.[0]?.textContent ?? '') + ' ' + (e === "
                    + "document.body ? '' : (e.textContent ?? '').replace(/\\s+/g, ' '));");
            if (name.Contains(words, StringComparison.Ordinal)) return i;
            step();
        }
        throw new InvalidOperationException($"Neither Tab nor Shift and Tab reached “{words}”.");
    }

    /// <summary>
    /// Drags from one place of a board to another; places are fractions of its radius round its middle, degrees from the top.
    /// </summary>
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
            return ((int)Math.Round(middle.X + (radius * place.Radius * Math.Sin(radians))),
                (int)Math.Round(middle.Y - (radius * place.Radius * Math.Cos(radians))));
        }
    }

    /// <summary>How far something is below the top of the window, in pixels.</summary>
    public double TopOf(string css) =>
        Convert.ToDouble(_driver.ExecuteScript("return arguments[0].getBoundingClientRect().top", Find(css)),
            System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Taps something with a finger.</summary>
    public void Tap(string css) => Tap(Find(css));

    /// <summary>Taps something with a finger.</summary>
    public void Tap(IWebElement element)
    {
        AwaitOpen();
        _driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", element);
        var finger = new PointerInputDevice(PointerKind.Touch, "finger");
        var tap = new ActionSequence(finger)
            .AddAction(finger.CreatePointerMove(element, 0, 0, TimeSpan.Zero))
            .AddAction(finger.CreatePointerDown(MouseButton.Touch))
            .AddAction(finger.CreatePointerUp(MouseButton.Touch));
        _driver.PerformActions([tap]);
    }

    /// <summary>
    /// Turns a hand of a board with a finger, a bit at a time, from one place to another; degrees from the top, clockwise.
    /// </summary>
    public void Turn(string css, double from, double to, double radius)
    {
        var board = Find(css);
        var box = (Dictionary<string,
            object>)_driver.ExecuteScript(
                "const r = arguments[0].getBoundingClientRect(); return { x: r.x + r.width / 2, y: r.y + r.height / 2, r: r.width / 2 }",
                board)!;
        var (middleX, middleY, rim) = (Number(box["x"]), Number(box["y"]), Number(box["r"]));
        var finger = new PointerInputDevice(PointerKind.Touch, "finger");
        var turn = new ActionSequence(finger).AddAction(To(from)).AddAction(finger.CreatePointerDown(MouseButton.Touch));
        var steps = Math.Max(1, (int)Math.Ceiling(Math.Abs(to - from) / 60));
        for (var step = 1; step <= steps; step++) turn.AddAction(To(from + ((to - from) * step / steps)));
        // A finger comes to rest before it is lifted; else the browser takes the drag for a fling and swallows the next tap.
        turn.AddAction(finger.CreatePause(TimeSpan.FromMilliseconds(150)));
        _driver.PerformActions([turn.AddAction(finger.CreatePointerUp(MouseButton.Touch))]);

        Interaction To(double degrees)
        {
            var radians = degrees * Math.PI / 180;
            return finger.CreatePointerMove(CoordinateOrigin.Viewport, (int)Math.Round(middleX + (rim * radius * Math.Sin(radians))),
                (int)Math.Round(middleY - (rim * radius * Math.Cos(radians))), TimeSpan.FromMilliseconds(20));
        }

        static double Number(object value) => Convert.ToDouble(value, System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>Cuts the browser's network, or joins it again; a reply then takes so many milliseconds longer.</summary>
    public void Network(bool offline, int latency = 0)
    {
        _driver.ExecuteCdpCommand("Network.enable", []);
        _driver.ExecuteCdpCommand("Network.emulateNetworkConditions", new Dictionary<string, object?>
        {
            ["offline"] = offline,
            ["latency"] = latency,
            ["downloadThroughput"] = -1,
            ["uploadThroughput"] = -1,
        });
    }

    /// <summary>Whatever a screen reader is given of the page: roles, names, values and descriptions.</summary>
    public string AccessibilityTree() =>
        System.Text.Json.JsonSerializer.Serialize(_driver.ExecuteCdpCommand("Accessibility.getFullAXTree", []));

    /// <summary>What a screen reader calls everything of one role.</summary>
    public IReadOnlyList<string> NamesOf(string role)
    {
        using var tree = System.Text.Json.JsonDocument.Parse(AccessibilityTree());
        return [.. tree.RootElement.GetProperty("nodes").EnumerateArray()
            .Where(node => node.TryGetProperty("role", out var plays) && plays.GetProperty("value").GetString() == role)
            .Select(node => node.GetProperty("name").GetProperty("value").GetString() ?? "")];
    }

    /// <summary>The page's own source as it stands now.</summary>
    public string Source => Script<string>("return document.documentElement.outerHTML");

    public void Reload() => _driver.Navigate().Refresh();

    public T Script<T>(string script) => (T)_driver.ExecuteScript(script)!;

    /// <summary>What the accessibility checker has against the page, a line a finding.</summary>
    public IReadOnlyList<string> Axe() => Axe(
        """runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"]""");

    /// <summary>What cannot be told from what it stands on, on a device that is set to dark.</summary>
    public IReadOnlyList<string> AxeInTheDark()
    {
        Dark();
        var found = Axe("""runOnly: { type: "rule", values: ["color-contrast"] }""");
        Dark(false);
        return found;
    }

    private IReadOnlyList<string> Axe(string rules)
    {
        if (!Script<bool>("return 'axe' in window"))
        {
            _driver.ExecuteScript(AxeCore);
            // The pages that come have it without its being sent again.
            _axe ??= (string)((Dictionary<string, object?>)_driver.ExecuteCdpCommand(
                "Page.addScriptToEvaluateOnNewDocument", new() { ["source"] = AxeCore })!)["identifier"]!;
        }
        var found = (IReadOnlyCollection<object>)_driver.ExecuteAsyncScript(
            $$"""
            const done = arguments[arguments.length - 1];
            // Of what passes nothing is told: to find names for it all takes most of the time.
            axe.run(document, { resultTypes: ["violations"], {{rules}} })
              .then(result => done(result.violations.map(v => v.id + ": " + v.nodes.map(n => n.html).slice(0, 2).join(" | "))));
            """)!;
        return [.. found.Cast<string>()];
    }

    /// <summary>What can be touched and is smaller than 44 by 44, a line each.</summary>
    public IReadOnlyList<string> SmallTargets() => [.. ((IReadOnlyCollection<object>)_driver.ExecuteScript(
        """
        return [...document.querySelectorAll("button, summary, a, label, input, select")]
          .filter(e => e.checkVisibility() && !e.matches(".sr-only, label input, [type=hidden]"))
          .map(e => [e.getBoundingClientRect(), e])
          .filter(([r]) => r.width > 0 && (r.width < 43.9 || r.height < 43.9))
          .map(([r, e]) => `${e.tagName} ${e.textContent.trim().slice(0, 20)} ${r.width.toFixed(0)} x ${r.height.toFixed(0)}`);
        """)!).Cast<string>()];

    /// <summary>How many pages it prints on.</summary>
    /// <param name="width">The paper's width, in inches.</param>
    /// <param name="height">Its height.</param>
    public int PagesPrinted(double width, double height)
    {
        var printed = (Dictionary<string,
            object?>)_driver.ExecuteCdpCommand("Page.printToPDF",
                new() { ["paperWidth"] = width, ["paperHeight"] = height, ["preferCSSPageSize"] = false, ["printBackground"] = true })!;
        return System.Text.RegularExpressions.Regex.Count(
            System.Text.Encoding.Latin1.GetString(Convert.FromBase64String((string)printed["data"]!)), @"/Type\s*/Page\b");
    }

    /// <summary>Shows it as it prints, or as it stands on a screen.</summary>
    public void ShowAsPrinted(bool printed) =>
        _driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new() { ["media"] = printed ? "print" : "" });

    /// <summary>Shows it in a reader's own few colours, or in its own.</summary>
    public void ForcedColours(bool forced) => _driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new()
    {
        ["features"] = new object[]
            { new Dictionary<string, object> { ["name"] = "forced-colors", ["value"] = forced ? "active" : "none" } },
    });

    /// <summary>Shows it as a device that is set to dark, or to light.</summary>
    public void Dark(bool dark = true) => _driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new()
    {
        ["features"] = new object[]
            { new Dictionary<string, object> { ["name"] = "prefers-color-scheme", ["value"] = dark ? "dark" : "light" } },
    });

    public void Picture(string file) => _driver.GetScreenshot().SaveAsFile(file);

    /// <summary>Leaves nothing of what was done in it, and stands ready for another.</summary>
    public void Dispose()
    {
        if (_film is not null)
        {
            Quit(_driver, _profile);
            File.Delete(_film);
            return;
        }
        try
        {
            Network(offline: false);
            if (_driver.Url.StartsWith("http", StringComparison.Ordinal)) _driver.ExecuteScript("sessionStorage.clear()");
            if (_axe is not null)
                _driver.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", new() { ["identifier"] = _axe });
            _driver.Navigate().GoToUrl("about:blank");
            _driver.ExecuteCdpCommand("Page.resetNavigationHistory", []);
            _driver.ExecuteCdpCommand("Network.clearBrowserCookies", []);
            _driver.ExecuteCdpCommand("Network.clearBrowserCache", []);
            _driver.ExecuteCdpCommand("Storage.clearDataForOrigin",
                new() { ["origin"] = _address.GetLeftPart(UriPartial.Authority), ["storageTypes"] = "all" });
            Ready.Add((_driver, _profile));
        }
        catch (WebDriverException)
        {
            Quit(_driver, _profile);
        }
    }

    /// <summary>Ends every browser that stands ready.</summary>
    public static void QuitAll()
    {
        while (Ready.TryTake(out var ready)) Quit(ready.Driver, ready.Profile);
    }

    private static void Quit(ChromeDriver driver, DirectoryInfo profile)
    {
        driver.Quit();
        driver.Dispose();
        profile.Delete(recursive: true);
    }

    private T Until<T>(Func<T?> state) where T : class
    {
        var wait = new WebDriverWait(_driver, TimeSpan.FromSeconds(120)) { PollingInterval = TimeSpan.FromMilliseconds(40) };
        wait.IgnoreExceptionTypes(typeof(StaleElementReferenceException), typeof(NoSuchElementException),
            typeof(InvalidOperationException));
        return wait.Until(_ => state())!;
    }
}
