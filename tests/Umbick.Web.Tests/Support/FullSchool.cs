using System.Diagnostics;
using System.Globalization;
using Umbick.Casework;
using Umbick.Casework.Files;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Simulation;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// A school that is full: a hundred tablets with a year behind each child, six hundred without, a caseload after a new version.
/// <c>./umbick bench web</c> runs it; the tests do not. It asserts no time, it tells them.
/// </summary>
public sealed class FullSchool(Site site) : IClassFixture<Site>
{
    private const int Sittings = 60;
    private const int AnswersEach = 12;
    private static readonly TimeSpan Pace = TimeSpan.FromSeconds(8);
    private static readonly TimeSpan HowLong = TimeSpan.FromMinutes(3);
    private static readonly TimeSpan Settled = TimeSpan.FromSeconds(30);

    [Fact(Explicit = true)]
    [Trait("Kind", "FullSchool")]
    public async Task A_year_behind_each()
    {
        await TakeIn(100);
        using var process = await Site.Another();
        using var teacher = await Visitor.TeacherOf(process.Address, site.TeacherOfA);
        var (watch, before) = (Stopwatch.StartNew(), process.Processor);
        await teacher.Page("/children");
        Console.WriteLine($"full school: the first caseload of 100 with a year behind each, none of it worked out: "
            + $"{watch.ElapsedMilliseconds} ms");
        while ((await Renewing.Behind(site.App, site.A, default)).Count > 0) await Task.Delay(500);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"full school: all are up to date after {watch.Elapsed.TotalSeconds:0} s, with {(process.Processor - before).TotalSeconds:0} s "
                + $"of a processor; {process.PeakMegabytes} MB at most"));
        var size = await site.App.InSchool(site.A, ReplayPoints.Size);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"full school: {size.Points} points are kept of 100 children, {size.Bytes / 1000} kB in all"));
        var children = (await site.App.InSchool(site.A, Children.All)).Select(child => child.Id).ToList();
        for (var again = 0; again < 3; again++) await teacher.Page("/children");
        var none = await Times(process, teacher, "/children");
        await Play(process, children, "100 tablets with a year", async () =>
        {
            await Task.Delay(TimeSpan.FromSeconds(60));
            var during = await Times(process, teacher, "/children");
            Console.WriteLine($"full school: {none}");
            Console.WriteLine($"full school: while all answer: {during}");
        });
    }

    [Fact(Explicit = true)]
    [Trait("Kind", "FullSchool")]
    public async Task None_behind_any()
    {
        var children = new List<ChildId>();
        while (children.Count < 600) children.Add((await site.Child(site.B)).Id);
        using var process = await Site.Another();
        await Play(process, children[..100], "100 tablets without a history", () => Task.CompletedTask, site.B);
        await Play(process, children, "600 tablets without a history", () => Task.CompletedTask, site.B);
    }

    private async Task Play(SiteProcess process, List<ChildId> children, string what, Func<Task> beside, SchoolId? school = null)
    {
        var tablets = new Tablets(site, process.Address, school ?? site.A, Pace);
        process.ForgetPeak();
        var (own, database) = (process.Processor, await DatabaseProcessor());
        var playing = tablets.Play(children, HowLong);
        await beside();
        await playing;
        var (used, usedThere) = (process.Processor - own, await DatabaseProcessor() - database);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"full school: {what}, one answer in {Pace.TotalSeconds:0} s: {tablets.InWords(Settled)}; an answer takes "
                + $"{used.TotalMilliseconds / tablets.Times.Count:0.0} ms of the site's processor and "
                + $"{usedThere.TotalMilliseconds / tablets.Times.Count:0.0} ms of the database's; {process.PeakMegabytes} MB at most"));
    }

    private static async Task<string> Times(SiteProcess process, Visitor teacher, string path)
    {
        var (before, times) = (process.Processor, new List<double>());
        for (var i = 0; i < 5; i++)
        {
            var watch = Stopwatch.StartNew();
            await teacher.Page(path);
            times.Add(watch.Elapsed.TotalSeconds);
            await Task.Delay(1000);
        }
        return $"{Tablets.InWords(path, times)}";
    }

    /// <summary>The processor time of all that the database has done for the sites that are connected now.</summary>
    private async Task<TimeSpan> DatabaseProcessor()
    {
        var ids = await site.Owner.BeforeSchool(connection => Dapper.SqlMapper.QueryAsync<int>(connection,
            "select pid from pg_stat_activity where datname = current_database() and application_name = 'umbick-site'"));
        return new TimeSpan(ids.Sum(id => SiteProcess.ProcessorOf(id).Ticks));
    }

    /// <summary>Takes in a file with a year of answers of so many children.</summary>
    private async Task TakeIn(int children)
    {
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        var lines = new List<AnswerLine>();
        var patterns = Catalogue.All.Where(pattern => Steps.OfReading.Contains(pattern.Step)).ToList();
        var bank = ItemBank.ForSitting(Stage.FiveMinutesTo, ClockTasks.Plain);
        for (var child = 0; child < children; child++)
        {
            var random = new Random(child);
            var simulated = new SimulatedChild(site.Model, [patterns[random.Next(patterns.Count)]], 0.9, random);
            for (var sitting = 0; sitting < Sittings; sitting++)
            {
                if (sitting == Sittings / 2)
                    simulated = new SimulatedChild(site.Model, [patterns[random.Next(patterns.Count)]], 0.9, random);
                for (var answer = 0; answer < AnswersEach; answer++)
                {
                    var item = bank[random.Next(bank.Count)];
                    var raw = simulated.Answer(item, item.Task.Taken);
                    lines.Add(new AnswerLine(lines.Count + 2, $"Full {child}", today.AddDays(-6 * (Sittings - sitting)),
                        new Core.Diagnosis.ItemAnswer(item, item.Read(raw), item.Task.Taken), raw));
                }
            }
        }
        var report = await site.App.InSchool(site.A, connection =>
            AnswersImport.Run(connection, lines, null, onCaseload: true, dryRun: false, DateTime.UtcNow));
        Assert.Empty(report.Errors);
        await site.App.InSchool(site.A, async connection =>
        {
            foreach (var child in await Children.All(connection)) await Children.SetStage(connection, child.Id, Stage.FiveMinutesTo);
        });
    }
}
