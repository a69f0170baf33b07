using Umbick.Store;
using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>Every view: nothing for the accessibility checker to find, and nothing wider than the screen.</summary>
public sealed class EveryViewTests(Site site) : IClassFixture<Site>
{
    /// <summary>A phone, 1280 at 200 % zoom, a tablet, a laptop.</summary>
    private static readonly int[] Widths = [360, 640, 768, 1280];

    [Fact]
    public async Task Before_signing_in()
    {
        using var browser = new Browser(site.Address);
        var links = new List<string>();
        foreach (var role in new[] { PersonRole.Teacher, PersonRole.Assistant })
            links.Add($"/welcome/{await site.App.InSchool(site.A, connection => Invitations.Make(connection, null, "Knot", role, false, null, DateTime.UtcNow))}");
        foreach (var path in (string[])["/", "/welcome/none", .. links, "/explain?time=4:00&answer=12:20", "/explain?time=6:40&answer=7:40",
            "/explain?time=4:00&answer=9:51", "/error/404", "/go"])
        {
            browser.Open(path);
            browser.Script<object?>("document.querySelectorAll('details').forEach(d => d.open = true)");
            Check(browser, path);
        }
    }

    [Fact]
    public async Task On_the_teacher_s_side()
    {
        var child = await site.Child(site.A);
        var open = (Child: child.Id, Sitting: await site.Sitting(site.A, child.Id));
        var ownClock = await site.Sitting(site.A, (await site.Child(site.A)).Id, new AskingOptions(Delivery: Rows.DeliveryMode.OwnClock));
        var ground = await Over(new AskingOptions(Rows.Plan.Prerequisites));
        var visit = Guid.NewGuid();
        var group = await site.Sitting(site.A, (await site.Child(site.A)).Id, new AskingOptions { Visit = visit });
        await site.Sitting(site.A, (await site.Child(site.A)).Id, new AskingOptions { Visit = visit, TurnInVisit = 1 });
        var screening = await site.App.InSchool(site.A,
            connection => site.Screen.Start(connection, "Harbour class", Stage.OClock, [$"Pupil {Guid.NewGuid():N}"]));
        var (set, _) = await site.Set(site.A, child.Id, "next-hour");
        var over = await Asked(await site.Child(site.A), "hands-swapped", "numeral-as-minutes");
        var visits = new List<string> { $"/visits/begin?pattern=next-hour&child={child.Id}",
            $"/visits/{(await site.Visit(site.A, 3)).Visit}" };
        foreach (var (part, place) in new[] { (VisitPart.Cold, 2), (VisitPart.Show, 1), (VisitPart.Practise, 1), (VisitPart.Close, 5) })
            visits.Add($"/visits/{await VisitAt(part, place)}");
        var stopped = (await site.Visit(site.A, 2)).Visit;
        await site.App.InSchool(site.A, connection => site.Visiting.Stop(connection, stopped));
        visits.Add($"/visits/{stopped}");
        // A caseload long enough to be searched.
        for (var more = 0; more < 8; more++) await site.Child(site.A);
        using var browser = SignedIn();
        string[] views =
        [
            "/groups?plan=true", "/calendar", "/service", $"/children/{over.Child}/report/class-teacher",
                $"/children/{over.Child}/report/lead",
            $"/children/{over.Child}/report/family", $"/reports/{await site.Report(site.A, over.Child, "lead")}",
            "/children", "/children?find=Zzyzx", "/children/new", $"/children/{child.Id}", $"/children/{over.Child}", "/ask",
            $"/ask/{open.Sitting}", $"/ask/{over.Sitting}",
            $"/ask/begin/{open.Child}", $"/ask/begin/{over.Child}", "/ask/together", $"/ask/{ownClock}", $"/ask/{ground}", $"/ask/{group}",
            "/classes", $"/classes/{screening}", $"/classes/{screening}/grid", $"/classes/{screening}/sheet",
            $"/sheets/{(await site.App.InSchool(site.A, connection => Store.Sets.Find(connection, set)))!.Sitting}",
            "/day", "/timetable", $"/children/{over.Child}/progress", $"/children/{over.Child}/sittings/{over.Sitting}",
            "/patterns/next-hour", "/settings", $"/children/{child.Id}/teaching", "/clock",
            $"/clock?show=has-it-arrived&pattern=next-hour&child={child.Id}",
            "/practise", $"/practise/{set}", $"/practise/new/{over.Child}?pattern=numeral-as-minutes", $"/practise/new/{over.Child}",
            "/patterns", "/sign-out",
            "/people", "/you", "/files", $"/files/{Guid.NewGuid()}", "/years-end", "/who-did-what", "/well", "/schools", "/helping",
            $"/children/{over.Child}/record", $"/children/{over.Child}/erase?unreadable=true",
            "/paper", "/paper/stage?stage=4&form=B", "/paper/make/cut-out", $"/paper/{await Sheet(set)}",
            $"/paper/home/{over.Child}?pattern=next-hour", "/paper/languages",
            "/time-cards", "/glossary", "/settings/day", $"/children/{child.Id}/time?card=half-a-minute",
            "/trainer", .. HtmlTests.Trained(site),
        ];
        foreach (var path in views.Concat(visits))
        {
            browser.Open(path);
            browser.Script<object?>("document.querySelectorAll('details').forEach(d => d.open = true)");
            Check(browser, path);
        }
    }

    /// <summary>The letters of the sheet of a set.</summary>
    private Task<string> Sheet(SetId set) => site.App.InSchool(site.A, async connection =>
    {
        var sitting = (await Store.Sets.Find(connection, set))!.Sitting!.Value;
        return (await Sheets.For(connection, [sitting], DateTime.UtcNow))[sitting].Letters;
    });

    [Theory]
    [InlineData("next-hour", "read-digital hour-only judge set-from-digital")]
    [InlineData("to-as-past", "read-words judge set-from-words")]
    public async Task On_the_child_s_side(string pattern, string tasks)
    {
        var child = await site.Child(site.A);
        // With all that can stand beside an item: one that is done, and whether the hands agree.
        await site.App.InSchool(site.A,
            connection => Children.Teach(connection, child.Id, child.Stage, null,
                new Dictionary<string, string> { ["support"] = "full", ["hands-agree"] = "asked" }));
        var (set, _) = await site.Set(site.A, child.Id, pattern);
        using var browser = SignedIn();
        browser.Open($"/practise/{set}");
        browser.Click("Hand over");
        var seen = new HashSet<string>();
        for (var done = 0; done < SetRequest.UsualLength; done++)
        {
            browser.Await($"#turn[data-done='{done}'] [data-question]");
            var task = browser.Find("[data-question]").GetAttribute("data-question")!;
            var first = seen.Add(task);
            if (first) Check(browser, task);
            browser.Click("I don’t know");
            browser.Await("[data-feedback=look-again]");
            if (first) Check(browser, $"{task}, look again");
            browser.Click("I don’t know");
            browser.Await("[data-feedback=told]");
            if (first) Check(browser, $"{task}, told");
            browser.ClickOn("[data-on]");
        }
        browser.Await("[data-finished]");
        Check(browser, "finished");
        Assert.Superset(tasks.Split(' ').ToHashSet(), seen);
    }

    /// <summary>A sitting that has been answered to its end.</summary>
    private async Task<SittingId> Over(AskingOptions beginning)
    {
        var id = await site.Sitting(site.A, (await site.Child(site.A)).Id, beginning);
        var asking = new Asking(site.Model, TimeProvider.System);
        await site.App.InSchool(site.A, async connection =>
        {
            while (await Store.Sittings.Find(connection, id) is { EndedAt: null } sitting)
                await asking.Answer(connection, id, new Submission(Guid.NewGuid(), sitting.CurrentPlace, "?", AnswerMode.Said, null), null);
        });
        return id;
    }

    /// <summary>
    /// A visit of three that has reached a place, where they gave the same wrong answer; in practice the outcome is seen.
    /// </summary>
    private async Task<VisitId> VisitAt(VisitPart part, int place)
    {
        var (visit, children) = await site.Visit(site.A, 3);
        await site.App.InSchool(site.A, async connection =>
        {
            while (await Casework.VisitState.Load(connection, visit) is { Visit: { EndedAt: null } now }
                && (now.Part != part || now.Place != place))
            {
                if (now.Part != VisitPart.Show) await Say(connection, now.Part, now.Place);
                if (now.Part is VisitPart.Show or VisitPart.Practise)
                    await site.Visiting.GoOn(connection, visit, now.Part, now.Place, null, Guid.NewGuid());
            }
            if (part is VisitPart.Practise or VisitPart.Close) await Say(connection, part, place);
        });
        return visit;

        async Task Say(SchoolConnection connection, VisitPart at, int to)
        {
            foreach (var child in children)
                await site.Visiting.Answer(connection, visit, child, at, new Submission(Guid.NewGuid(), to, "8:11", AnswerMode.Said, null),
                    Guid.NewGuid());
        }
    }

    private static void Check(Browser browser, string view)
    {
        foreach (var width in Widths)
        {
            browser.Resize(width, 800);
            var wide = browser.Script<long>("return document.documentElement.scrollWidth");
            Assert.True(wide <= width, $"{view} is {wide} wide on {width}");
        }
        var found = browser.Axe();
        Assert.True(found.Count == 0, $"{view}: {string.Join("; ", found)}");
        found = browser.AxeInTheDark();
        Assert.True(found.Count == 0, $"{view} in the dark: {string.Join("; ", found)}");
    }

    private Browser SignedIn() => Browser.SignedIn(site.Address, site.TeacherOfA);

    /// <summary>A child who was asked a whole sitting.</summary>
    private async Task<(ChildId Child, SittingId Sitting)> Asked(Rows.Child child, params string[] patterns)
    {
        var simulated = site.Simulated(patterns);
        var asking = new Asking(site.Model, TimeProvider.System);
        var id = await site.Sitting(site.A, child.Id);
        await site.App.InSchool(site.A, async connection =>
        {
            while (await Store.Sittings.Find(connection, id) is { EndedAt: null } sitting)
            {
                var item = (await Store.Sittings.AskedIn(connection, [id]))[id].Single(asked => asked.Place == sitting.CurrentPlace).Item;
                await asking.Answer(connection, id,
                    new Submission(Guid.NewGuid(), sitting.CurrentPlace, simulated.Answer(item, item.Task.Aloud), item.Task.Aloud, null),
                    null);
            }
        });
        return (child.Id, id);
    }
}
