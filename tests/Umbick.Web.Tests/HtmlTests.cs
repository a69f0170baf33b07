using System.Diagnostics;
using System.Net;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Training;

namespace Umbick.Web.Tests;

/// <summary>Every page is HTML without errors, by a validator.</summary>
public sealed class HtmlTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Every_page_of_every_side_is_valid()
    {
        var folder = Directory.CreateTempSubdirectory("umbick-html");
        try
        {
            await TeachersPages(folder.FullName);
            await ChildsPages(folder.FullName);
            await AnybodysPages(folder.FullName);
            // What stands where a page has lost hold of an expression.
            foreach (var page in folder.EnumerateFiles())
                Assert.DoesNotMatch(@"\.[A-Z]\w+\(Preferences|z__ReadOnly|\w+ \{ \w+ = ",
                    System.Net.WebUtility.HtmlDecode(await File.ReadAllTextAsync(page.FullName, TestContext.Current.CancellationToken)));
            var count = folder.EnumerateFiles().Count();
            Assert.True(count > Door.All.Count + ClockTasks.All.Count, $"only {count} pages");

            var root = Site.Setting("UMBICK_ROOT");
            using var validator = Process.Start(
                new ProcessStartInfo("node",
                    [Path.Combine(root, "node_modules", "html-validate", "bin", "html-validate.mjs"), "--config",
                        Path.Combine(root, ".htmlvalidate.json"), "--formatter", "text", folder.FullName])
                {
                    RedirectStandardOutput = true,
                    RedirectStandardError = true,
                })!;
            var said = await validator.StandardOutput.ReadToEndAsync(TestContext.Current.CancellationToken)
                + await validator.StandardError.ReadToEndAsync(TestContext.Current.CancellationToken);
            await validator.WaitForExitAsync(TestContext.Current.CancellationToken);
            Assert.True(validator.ExitCode == 0, said);
            TestContext.Current.TestOutputHelper?.WriteLine($"{count} pages without an error");
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    private async Task TeachersPages(string folder)
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        await site.App.InSchool(site.A, async connection =>
        {
            var asking = new Asking(site.Model, TimeProvider.System);
            for (var place = 1; place <= 3; place++)
                await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, "4:12", AnswerMode.Said, null), null);
        });
        var (set, practice) = await site.Set(site.A, child.Id, "next-hour");
        var (visit, _) = await site.Visit(site.A, 2);
        var ids = new Dictionary<string, Guid>
        {
            ["children"] = child.Id.Value,
            ["ask"] = sitting.Value,
            ["practise"] = set.Value,
            ["visits"] = visit.Value,
            ["classes"] = (await site.Class(site.A, Stage.OClock, "Skua")).Value,
            ["sheets"] = practice.Value,
        };
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var door in Door.All) await Keep(teacher, door.Filled(ids), folder, "teacher");
        await Keep(teacher, $"/practise/new/{child.Id}?pattern=next-hour", folder, "teacher");
        await Keep(teacher, $"/visits/begin?pattern=next-hour&child={child.Id}", folder, "teacher");
        await Keep(teacher, $"/ask/begin/{child.Id}", folder, "teacher");
        await Keep(teacher, "/paper/stage?stage=4", folder, "teacher");
        await Keep(teacher, "/groups?plan=true", folder, "teacher");
        foreach (var kind in Core.Reports.ReportKind.All)
            await Keep(teacher, $"/children/{child.Id}/report/{kind.Id}", folder, "teacher");
        await Keep(teacher, "/paper/make/mat", folder, "teacher");
        var sheets = await site.App.InSchool(site.A, connection => Store.Sheets.For(connection, [practice], DateTime.UtcNow));
        await Keep(teacher, $"/paper/{sheets[practice].Letters}", folder, "teacher");
    }

    private async Task ChildsPages(string folder)
    {
        foreach (var task in ClockTasks.All)
        {
            using var device = await AtTurn(await site.OnScreen(site.A, (await site.Child(site.A, Stage.EveryMinute)).Id, task.Id));
            await Keep(device, "/turn", folder, task.Id);
        }
        using var practising = await AtTurn((await site.Set(site.A, (await site.Child(site.A)).Id, "to-as-past")).Sitting);
        await Keep(practising, "/turn", folder, "practice");
        await practising.Send("/turn", "I don’t know", new() { ["instead"] = "?" });
        await Keep(practising, "/turn", folder, "look-again");
        await practising.Send("/turn", "I don’t know", new() { ["instead"] = "?" });
        await Keep(practising, "/turn", folder, "told");
    }

    private async Task AnybodysPages(string folder)
    {
        using var anybody = new Visitor(site);
        foreach (var path in new[] { "/", "/go", "/error/404", "/explain?time=4:00&answer=12:20", "/explain?time=6:40&answer=7:40",
            "/explain?time=4:00&answer=4:00" }.Concat(Trained(site))) await Keep(anybody, path, folder, "anybody");
    }

    /// <summary>The trainer at each of its moments.</summary>
    internal static IEnumerable<string> Trained(Site site)
    {
        var child = new MadeUpChildren(site.Model).SeedAt(TrainingLevel.OnePattern, 3);
        var talk = $"level=one-pattern&child={child}&asked=read-digital%207:50;read-words%204:40;set-from-digital%202:25;"
            + "read-digital%209:30;read-digital%203:00;read-words%2012:25";
        return
        [
            $"/trainer/child?level=one-pattern&child={child}", $"/trainer/child?{talk}&kind=pattern", $"/trainer/words?{talk}&kind=nothing",
            $"/trainer/told?{talk}&verdict=nothing&words=look-again&shown=none", "/trainer/visit?visit=3&moves=ww",
            "/trainer/visit?visit=3&moves=nnnnn", "/trainer/visit?visit=3&moves=b4nwwb3nnnn&copies=0", "/trainer/marking?set=5&marks=rn",
            $"/trainer/marking?set=5&marks={new string('r', MarkingSet.Length)}",
        ];
    }

    private async Task<Visitor> AtTurn(SittingId sitting)
    {
        var device = new Visitor(site);
        await device.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        return device;
    }

    private static async Task Keep(Visitor visitor, string path, string folder, string name)
    {
        var answer = await visitor.Get(path);
        if (answer.StatusCode != HttpStatusCode.OK || answer.Content.Headers.ContentType?.MediaType != "text/html") return;
        var file = $"{name}{string.Concat(path.Select(sign => char.IsAsciiLetterOrDigit(sign) || sign == '-' ? sign : '_'))}.html";
        await File.WriteAllTextAsync(Path.Combine(folder, file), await answer.Content.ReadAsStringAsync());
    }
}
