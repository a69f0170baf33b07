using System.Diagnostics;
using System.Globalization;
using Umbick.Casework;
using Umbick.Casework.Accounts;
using Umbick.Core.Items;
using Umbick.Store;
using Umbick.Web.Tests.Cluster;

namespace Umbick.Web.Tests;

/// <summary>Measures the site as it runs: <c>./umbick bench web</c> runs it; the tests do not. It asserts no time, it tells them.</summary>
public sealed class Load(Site site) : IClassFixture<Site>
{
    private const int Tablets = 30;
    private static readonly TimeSpan Pace = TimeSpan.FromSeconds(4);
    private static readonly TimeSpan HowLong = TimeSpan.FromSeconds(40);

    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task Thirty_tablets_at_once()
    {
        var (school, children) = await Thirty();
        foreach (var pace in new[] { Pace, TimeSpan.Zero })
        {
            var tablets = new Tablets(site, site.Address, school, pace);
            await tablets.Play(children, HowLong);
            Console.WriteLine($"Each of the tablets answers {InWords(pace)}: {tablets.InWords(TimeSpan.Zero)}");
        }
    }

    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task Through_two_sites_against_one()
    {
        var (school, children) = await Thirty();
        using var one = await SiteProcess.Start(RunningSite.FreeAddress());
        using var other = await SiteProcess.Start(RunningSite.FreeAddress());
        using var alone = await Balancer.Start(one.Address);
        using var both = await Balancer.Start(one.Address, other.Address);
        // What a site does for the first time takes longer.
        await new Tablets(site, both.Address, school, TimeSpan.Zero).Play(children, TimeSpan.FromSeconds(10));
        foreach (var pace in new[] { Pace, TimeSpan.Zero, Pace, TimeSpan.Zero })
        {
            foreach (var (sites, balancer) in new[] { ("one site", alone), ("two sites", both) })
            {
                var tablets = new Tablets(site, balancer.Address, school, pace);
                await tablets.Play(children, HowLong);
                Console.WriteLine($"Behind a balancer with {sites}, each of the tablets answers {InWords(pace)}: "
                    + tablets.InWords(TimeSpan.Zero));
            }
        }
    }

    private static string InWords(TimeSpan pace) => pace == TimeSpan.Zero ? "as soon as it can" : $"every {pace.TotalSeconds:0} s";

    /// <summary>Thirty children of the demonstration's school.</summary>
    private async Task<(SchoolId School, IReadOnlyList<ChildId> Children)> Thirty()
    {
        var school = await DemoSchoolId();
        var children = (await site.App.InSchool(school, Children.All)).ToList();
        for (var more = children.Count; more < Tablets; more++)
            await site.App.InSchool(school,
                connection => Children.Add(connection, new Child(new(Guid.NewGuid()), $"Tablet {more}", Stage.FiveMinutesTo),
                    DateTime.UtcNow));
        children = [.. (await site.App.InSchool(school, Children.All)).Take(Tablets)];
        var answers = (await site.App.InSchool(school,
            async connection => await Sittings.AnswersIn(connection,
                (await Sittings.OfChild(connection, children[0].Id)).Select(sitting => sitting.Id)))).Sum(each => each.Count());
        Console.WriteLine($"{children.Count} tablets on the demonstration data; the first child has {answers} answers so far.");
        return (school, [.. children.Select(child => child.Id)]);
    }

    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task Progress_of_a_term_and_of_three_years_and_the_day()
    {
        var (term, years) = (await WithSittings(17), await WithSittings(150));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        for (var more = 0; more < 28; more++) await site.Child(site.A);
        foreach (var path in new[] { "/sign-out", $"/children/{term}/progress", $"/children/{years}/progress", "/day" })
            Console.WriteLine(InWords(path.Replace($"{term}", "a term").Replace($"{years}", "three years"), await Times(teacher, path),
                1000));
    }

    /// <summary>How long a page takes, again and again, in seconds.</summary>
    private static async Task<List<double>> Times(Visitor visitor, string path)
    {
        var times = new List<double>();
        for (var i = 0; i < 60; i++)
        {
            var watch = Stopwatch.StartNew();
            await visitor.Page(path);
            if (i >= 20) times.Add(watch.Elapsed.TotalSeconds);
        }
        return times;
    }

    /// <summary>A child with so many sittings of twelve answers, a week apart, the last of them yesterday.</summary>
    private async Task<ChildId> WithSittings(int count)
    {
        var child = (await site.Child(site.A)).Id;
        var simulated = site.Simulated("next-hour");
        for (var sitting = 0; sitting < count; sitting++)
        {
            var asking = new Asking(site.Model, new Behind(TimeSpan.FromDays(1 + (7 * (count - 1 - sitting)))));
            await site.App.InSchool(site.A, async connection =>
            {
                var id = (await asking.Start(connection, child,
                    new AskingOptions(Rows.Plan.Chosen)
                    { Tasks = [.. ClockTasks.Plain.Concat(ClockTasks.Plain).Select(task => task.Id)] }))!.Value;
                foreach (var asked in (await Sittings.AskedIn(connection, [id]))[id].ToList())
                    await asking.Answer(connection, id,
                        new Submission(Guid.NewGuid(), asked.Place, simulated.Answer(asked.Item, asked.Item.Task.Aloud),
                            asked.Item.Task.Aloud, 9), null);
            });
        }
        return child;
    }

    [Fact(Explicit = true)]
    [Trait("Kind", "Load")]
    public async Task Two_devices_agree_and_a_minute_without_network_loses_nothing()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        using var teacher = Browser.SignedIn(site.Address, site.TeacherOfA);
        using var tablet = new Browser(site.Address, 768, 1024);
        teacher.Open($"/ask/{sitting}");
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        var follows = new List<double>();
        for (var i = 0; i < 6; i++)
        {
            foreach (var press in new[] { "[data-skip-form] button", "[data-back-form] button:not([disabled])" })
            {
                if (!teacher.Has(press)) continue;
                follows.Add(Until(tablet, () => teacher.Find(press).Click()));
            }
            var item = (await site.Current(site.A, sitting)).Item;
            follows.Add(Until(teacher, () => ChildAtScreen.Answer(tablet, item, byTouch: true)));
        }
        Console.WriteLine(InWords("Two devices show the same again after", follows, 1));

        var before = (await site.Record(site.A, child.Id)).Sittings[0].Answered.Count();
        var cut = (await site.Current(site.A, sitting)).Item;
        tablet.Network(offline: true);
        ChildAtScreen.Answer(tablet, cut, byTouch: true);
        await Task.Delay(TimeSpan.FromSeconds(60));
        var during = (await site.Record(site.A, child.Id)).Sittings[0].Answered.Count();
        var back = Until(teacher, () => tablet.Network(offline: false));
        var after = (await site.Record(site.A, child.Id)).Sittings[0].Answered.ToList();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"60 s without network: {before} answers before, {during} during, {after.Count} after, "
                + $"{after.Select(question => question.Given!.Id).Distinct().Count()} ids; the teacher's page follows {back:0.0} s after "
                + $"the network is back."));
    }

    private static double Until(Browser follower, Action change)
    {
        var place = follower.Find("[name=place]").GetAttribute("value");
        change();
        var watch = Stopwatch.StartNew();
        follower.AwaitGone($"[name=place][value='{place}']");
        return watch.Elapsed.TotalSeconds;
    }

    private static string InWords(string what, List<double> seconds, int unit)
    {
        seconds.Sort();
        var (name, by) = unit == 1 ? ("s", 1.0) : ("ms", 1000.0);
        string At(double share) =>
            (seconds[(int)Math.Min(seconds.Count - 1, share * seconds.Count)] * by).ToString(unit == 1 ? "0.00" : "0",
                CultureInfo.InvariantCulture);
        return $"{what} {At(0.5)} {name} (median), {At(0.95)} {name} (95 %), {At(1)} {name} at most, {seconds.Count} times.";
    }

    private async Task<SchoolId> DemoSchoolId() =>
        (await site.App.BeforeSchool(connection => People.FindByName(connection, DemoSignIn.UserName.ToUpperInvariant())))[0].School;

}
