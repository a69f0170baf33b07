using System.Diagnostics;
using Npgsql;
using Umbick.Casework;
using Umbick.Core.Diagnosis;
using Umbick.Demo;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Pages of one school among three hundred, against those of the same school alone: asked of two sites in turn, on two databases of one
/// server. Run by <c>./umbick bench district</c>.
/// </summary>
public sealed class DistrictPages(ITestOutputHelper output)
{
    private const int Times = 25;

    private const string Password = "lamp on the harbour wall";

    /// <summary>A site on a database, and a school of it.</summary>
    private sealed record Place(
        Uri Address, string Name, NpgsqlDataSource Source, Visitor Teacher, SchoolId School, IReadOnlyList<ChildId> Children,
        IReadOnlyList<string> Codes);

    [Fact(Explicit = true)]
    [Trait("Kind", "District")]
    public async Task Each_page_takes_as_long_as_where_there_is_one_school()
    {
        var (district, one) = (Site.Setting("UMBICK_APP"), Site.Setting("UMBICK_ONE"));
        // To bring every school up to date takes hours of a processor: here that waits, and only who is looked at is brought up to date.
        await using var waits = await new RenewalLock(district).TryTake(default);
        await using var alsoWaits = await new RenewalLock(one).TryTake(default);
        using var sites = await SiteProcess.Start(RunningSite.FreeAddress(), district);
        using var alone = await SiteProcess.Start(RunningSite.FreeAddress(), one);
        var (many, single) = (await Open(sites.Address, district, 150), await Open(alone.Address, one, 0));
        await DistrictPlans.CountFromNow();
        output.WriteLine("| page | one school, ms | three hundred, ms | times |");
        output.WriteLine("|---|---|---|---|");
        foreach (var (name, ask) in Pages())
        {
            var (here, there) = (new List<double>(), new List<double>());
            for (var time = 0; time < Times; time++)
            {
                here.Add(await Took(() => ask(single, time)));
                there.Add(await Took(() => ask(many, time)));
            }
            var (a, b) = (Middle(here), Middle(there));
            output.WriteLine($"| {name} | {a:0.0} | {b:0.0} | {b / a:0.00} |");
        }
        output.WriteLine("");
        foreach (var line in await DistrictPlans.OfTheMostFrequent(10, many.School)) output.WriteLine(line);
        foreach (var place in new[] { many, single })
        {
            place.Teacher.Dispose();
            await place.Source.DisposeAsync();
        }
    }

    private static IEnumerable<(string Name, Func<Place, int, Task> Ask)> Pages()
    {
        yield return ("caseload of 60", (at, _) => at.Teacher.Page("/children"));
        yield return ("a child", (at, time) => at.Teacher.Page($"/children/{at.Children[time]}"));
        yield return ("progress", (at, time) => at.Teacher.Page($"/children/{at.Children[time]}/progress"));
        yield return ("the day", (at, _) => at.Teacher.Page("/day"));
        yield return ("who did what", (at, _) => at.Teacher.Page("/who-did-what"));
        yield return ("record out",
            async (at, time) => (await at.Teacher.Get($"/children/{at.Children[time]}/record?handler=file")).Dispose());
        yield return ("the school’s answers as CSV", async (at, _) =>
        {
            using var file = await at.Teacher.Get("/files?handler=answers");
            await file.Content.ReadAsByteArrayAsync();
        }
        );
        yield return ("sign-in", async (at, _) =>
        {
            using var visitor = new Visitor(at.Address);
            await visitor.Send("/", "Sign in", new() { ["userName"] = at.Name, ["password"] = Password });
        }
        );
        yield return ("a wrong code", async (at, _) =>
        {
            using var visitor = new Visitor(at.Address);
            await visitor.Send("/go", "Begin", new() { ["code"] = "ABCD-EFGH" });
        }
        );
        yield return ("a right code, to the first question", async (at, time) =>
        {
            using var visitor = new Visitor(at.Address);
            await visitor.Send("/go", "Begin", new() { ["code"] = at.Codes[time] });
        }
        );
        yield return ("a child erased", async (at, time) =>
        {
            var child = at.Children[30 + time];
            await new Database(at.Source).InSchool(at.School, school => school.ExecuteScalarAsync<bool>(
                "select erase_child(@child, (select alias from child where id = @child))", new { child }));
        }
        );
    }

    private static async Task<Place> Open(Uri address, string connection, int number)
    {
        var name = District.TeacherOf(number);
        var teacher = await Visitor.TeacherOf(address, name, Password);
        var source = NpgsqlDataSource.Create(connection);
        var database = new Database(source);
        var school = (await database.BeforeSchool(before => Dapper.SqlMapper.QueryAsync<Guid>(before,
            "select school from find_person(@name)", new { name = name.ToUpperInvariant() }))).Single();
        var children = await database.InSchool(new SchoolId(school),
            async at => (await Children.All(at)).Select(child => child.Id).ToList());
        // What is concluded of the school's children is worked out, and kept, before anything is measured.
        using var patience = new CancellationTokenSource(TimeSpan.FromMinutes(10));
        while ((await teacher.Page("/children")).QuerySelector("[data-behind]") is not null) await Task.Delay(500, patience.Token);
        var asking = new Asking(new ReadingModel(), TimeProvider.System);
        var codes = new List<string>();
        foreach (var child in children.Take(Times))
        {
            codes.Add(await database.InSchool(new SchoolId(school), async at => await Codes.Make(at,
                (await asking.Start(at, child, new AskingOptions(Delivery: DeliveryMode.OnChildsScreen)))!.Value, DateTime.UtcNow)));
        }
        return new(address, name, source, teacher, new(school), children, codes);
    }

    private static async Task<double> Took(Func<Task> ask)
    {
        var since = Stopwatch.GetTimestamp();
        await ask();
        return Stopwatch.GetElapsedTime(since).TotalMilliseconds;
    }

    private static double Middle(List<double> all)
    {
        all.Sort();
        return all[all.Count / 2];
    }
}
