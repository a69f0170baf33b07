using System.Net;
using System.Text.Json;
using Umbick.Core.Items;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>On a phone, on paper, in the dark, installed: what is needed is first, and nothing else is in the way.</summary>
public sealed class InTheHandTests(Site site) : IClassFixture<Site>
{
    private const int Phone = 390;

    [Fact]
    public async Task On_a_phone_the_menu_is_folded_and_what_is_next_with_a_child_is_on_the_first_screen()
    {
        var child = await site.Child(site.A);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA, Phone, 844);
        browser.Open($"/children/{child.Id}");
        Assert.InRange(Top(browser, "main h1"), 0, 90);
        Assert.InRange(Top(browser, "main .press-next"), 0, 500);
        Assert.False(browser.Script<bool>("return document.querySelector('.places').checkVisibility()"));
        browser.ClickOn(".menu-box");
        browser.Click("Patterns");
        browser.AwaitPath("/patterns");
        // With its own keys, as with Tab and the space bar.
        browser.Focus(".menu-box");
        browser.Type(" ");
        Assert.True(browser.Script<bool>("return document.querySelector('.places').checkVisibility()"));
        browser.Click("Find a child");
        browser.Await("#finder [name=letters]:focus");
    }

    [Fact]
    public void On_a_phone_the_patterns_are_half_as_long_as_they_were()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA, 390, 844);
        browser.Open("/patterns");
        Assert.InRange(browser.Script<long>("return document.documentElement.scrollHeight"), 844, 2_087);
    }

    [Fact]
    public async Task In_a_visit_the_clock_has_the_height_of_the_screen()
    {
        var (visit, children) = await site.Visit(site.B, 2);
        foreach (var child in children)
            await site.App.InSchool(site.B, connection => site.Visiting.Answer(connection, visit, child, VisitPart.Room,
                new Casework.Submission(Guid.NewGuid(), 1, "-", AnswerMode.Said, null), Guid.NewGuid()));
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfB);
        browser.Open($"/visits/{visit}");
        Assert.InRange(
            browser.Script<long>("return Math.round(document.querySelector('.stage > *').getBoundingClientRect().bottom)"), 740, 800);
        Assert.Equal(800, browser.Script<long>("return document.documentElement.scrollHeight"));
    }

    [Fact]
    public void On_a_wide_screen_nothing_is_folded()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/patterns");
        Assert.True(browser.Script<bool>("return document.querySelector('.places').checkVisibility()"));
        Assert.False(browser.Script<bool>("return document.querySelector('.menu-box').checkVisibility()"));
    }

    [Fact]
    public async Task A_term_s_timetable_prints_on_one_sheet_and_no_page_prints_what_is_pressed_or_typed()
    {
        foreach (var day in Enumerable.Range(1, 5).Select(day => (DayOfWeek)day))
        {
            for (var i = 0; i < 6; i++)
            {
                var child = await site.Child(site.A);
                await site.App.InSchool(site.A, connection => Timetables.AddSlot(connection,
                    new Slot(SlotId.New(), day, new TimeOnly(9, 0).AddMinutes(20 * i), 12, [child.Id])));
            }
        }
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        foreach (var path in new[] { "/timetable", "/day", "/children" })
        {
            browser.Open(path);
            // Eight children to a sheet; the other two have a sheet each, whatever is in them.
            var most = Math.Max(1, (int)Math.Ceiling(browser.Count(".child-row") / 8.0));
            Assert.InRange(browser.PagesPrinted(8.27, 11.69), 1, most);
            Assert.InRange(browser.PagesPrinted(8.5, 11), 1, most);
            browser.ShowAsPrinted(true);
            Assert.Equal(0, browser.Script<long>(
                "return [...document.querySelectorAll('main :is(button, input, select, textarea, summary)')].filter(e => "
                    + "e.checkVisibility()).length"));
            browser.ShowAsPrinted(false);
        }
    }

    [Theory]
    [InlineData("/day")]
    [InlineData("/children")]
    [InlineData("/ask")]
    [InlineData("/patterns")]
    [InlineData("/settings")]
    [InlineData("/people")]
    [InlineData("/timetable")]
    [InlineData("/groups")]
    [InlineData("/clock")]
    [InlineData("/paper")]
    public void In_the_dark_everything_can_be_read_and_a_clock_stays_as_it_is(string path)
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/clock");
        var face = Face(browser);
        browser.Dark();
        browser.Open("/clock");
        Assert.Equal(face, Face(browser));
        browser.Open(path);
        Assert.NotEqual("rgb(238, 242, 239)", browser.Script<string>("return getComputedStyle(document.documentElement).backgroundColor"));
        Assert.Empty(browser.Axe());
    }

    [Fact]
    public async Task It_can_be_installed_and_what_is_nobody_s_is_kept_by_the_browser()
    {
        using var anybody = new Visitor(site);
        var page = await anybody.Page("/");
        Assert.NotNull(page.QuerySelector("meta[name=description]"));
        Assert.Null(page.QuerySelector("meta[name=robots]"));
        var manifest = await anybody.Get(page.QuerySelector("link[rel=manifest]")!.GetAttribute("href")!);
        Assert.Equal("application/manifest+json", manifest.Content.Headers.ContentType!.MediaType);
        Assert.Contains("manifest-src 'self'", string.Join(' ', manifest.Headers.GetValues("Content-Security-Policy")),
            StringComparison.Ordinal);
        using var parts = JsonDocument.Parse(await manifest.Content.ReadAsStringAsync());
        foreach (var icon in parts.RootElement.GetProperty("icons").EnumerateArray())
            Assert.Equal(HttpStatusCode.OK, (await anybody.Get(icon.GetProperty("src").GetString()!)).StatusCode);
        foreach (var font in page.QuerySelectorAll("link[rel=preload]"))
        {
            var answer = await anybody.Get(font.GetAttribute("href")!);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            Assert.Contains("immutable", answer.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
        }
        var icons = await anybody.Get(page.QuerySelector("link[rel=icon]")!.GetAttribute("href")!);
        Assert.False(icons.Headers.CacheControl!.NoStore);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.NotNull((await teacher.Page("/day")).QuerySelector("meta[name=robots][content=noindex]"));
    }

    /// <summary>The names stand in the styles and in the head of each page: they are those of the packages.</summary>
    [Fact]
    public void Typefaces_are_named_by_their_version()
    {
        var root = Site.Setting("UMBICK_ROOT");
        using var package = JsonDocument.Parse(File.ReadAllText(Path.Combine(root, "package.json")));
        var styles = File.ReadAllText(Path.Combine(root, "src/Umbick.Web/Styles/tokens.css"));
        var head = File.ReadAllText(Path.Combine(root, "src/Umbick.Web/Pages/Shared/_Fonts.cshtml"));
        foreach (var typeface in new[] { "andika", "atkinson-hyperlegible" })
        {
            var version = package.RootElement.GetProperty("devDependencies").GetProperty($"@fontsource/{typeface}").GetString();
            Assert.Contains($"/built/{typeface}-{version}-latin-400.woff2", styles, StringComparison.Ordinal);
            Assert.Contains($"[\"{typeface}\"] = \"{version}\"", head, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task Files_are_named_by_child_and_day_and_a_refused_answer_is_no_error()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var record = await teacher.Get($"/children/{child.Id}/record?handler=file");
        var name = record.Content.Headers.ContentDisposition!.FileName!.Trim('"');
        Assert.Matches(@"^[a-z0-9-]+-\d{4}-\d\d-\d\d-record\.json$", name);
        Assert.StartsWith(child.Alias.ToLowerInvariant().Replace(' ', '-'), name, StringComparison.Ordinal);

        var sitting = await site.Sitting(site.A, child.Id);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        browser.Await("#raw:focus");
        Assert.Equal("200 refused 400", browser.Script<string>(
            """
            const form = document.querySelector("[data-answer-form]");
            const body = new URLSearchParams(new FormData(form));
            body.set("raw", "grbl");
            return fetch(form.action, { method: "POST", body, headers: { "HX-Request": "true", "Umbick-Queue": "1" } }).then((reply) => {
              const [outcome, , status] = reply.headers.get("Umbick-Answer").split(" ");
              return `${reply.status} ${outcome} ${status}`;
            });
            """));
    }

    [Fact]
    public void Where_nothing_was_pressed_nobody_is_told_to_press_again()
    {
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/patterns");
        browser.Click("Find a child");
        browser.Await("#finder [name=letters]:focus");
        browser.Network(offline: true);
        browser.Type("a");
        browser.AwaitScript("return document.getElementById('trouble').textContent.startsWith('No connection.')");
        Assert.DoesNotContain("press again", browser.Script<string>("return document.getElementById('trouble').textContent"),
            StringComparison.Ordinal);
    }

    private static double Top(Browser browser, string css) =>
        browser.Script<double>($"return document.querySelector('{css}').getBoundingClientRect().top + 0.001");

    private static string Face(Browser browser) => browser.Script<string>(
        "return ['.face-ground', '.hand-hour'].map(part => getComputedStyle(document.querySelector(part)).fill).join()");
}
