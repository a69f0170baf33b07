using System.Net;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Forms as the pages give them, with fields that somebody changed to do harm: none breaks a page, and none reaches another school.
/// </summary>
public sealed class HostileFormTests(Site site) : IClassFixture<Site>
{
    private const int Requests = 1000;

    private static readonly string[] Odd =
    [
        "", " ", "0", "-1", "99999999999999999999", "1e400", "NaN", "null", "true", "0001-01-01", "9999-12-31", "0044-03-15", "-infinity",
        "infinity", "2026-02-30", "24:61", "\u202e٤:٢٠", "\ud83d\ude00", "\ufffd", "'; drop table child; --",
        "<script>alert(1)</script>", "../../etc/passwd", "%00", "{}", "[[]]", "00000000-0000-0000-0000-000000000000", new('x', 300),
        new('8', 19_000),
    ];

    /// <summary>What ends the run, or goes to whoever sent it: it is tried elsewhere.</summary>
    private static readonly string[] NotPressed = ["/sign-out", "handler=hand", "handler=everywhere", "handler=lookround", "/schools",
        "/you"];

    [Fact]
    public async Task A_thousand_of_them_break_nothing()
    {
        var random = new Random(23);
        var foreign = await Foreign();
        var before = await EverythingOf(site.B);
        var (count, statuses) = (0, new SortedDictionary<int, int>());
        var (charge, pages) = (await Somebody(), await Pages());
        while (count < Requests)
        {
            var path = pages[random.Next(pages.Count)];
            var page = await charge.Get(path);
            if (page.StatusCode != HttpStatusCode.OK)
            {
                Assert.True((int)page.StatusCode < 500, $"{path}: {(int)page.StatusCode}");
                // They may have changed their own role, or erased what the pages were of.
                if (page.StatusCode is HttpStatusCode.Redirect or HttpStatusCode.Forbidden) charge = await Somebody();
                else pages = await Pages();
                continue;
            }
            foreach (var form in (await Visitor.Read(page)).Forms.Where(form => form.Method == "post"))
            {
                var action = Visitor.ActionOf(form, path);
                if (NotPressed.Any(not => action.Contains(not, StringComparison.OrdinalIgnoreCase))) continue;
                var fields = Visitor.FieldsOf(form);
                for (var change = random.Next(1, 4); change > 0; change--) Change(fields, random, foreign);
                using var answer = await charge.Post(action, fields);
                Assert.True((int)answer.StatusCode < 500,
                    $"{(int)answer.StatusCode} of {action} with "
                        + $"{string.Join('&', fields.Where(field => !field.Key.StartsWith('_')).Select(field => $"{field.Key}={field.Value[..Math.Min(80, field.Value.Length)]}"))}");
                statuses[(int)answer.StatusCode] = statuses.GetValueOrDefault((int)answer.StatusCode) + 1;
                if (++count == Requests) break;
            }
        }
        Assert.Equal(before, await EverythingOf(site.B));
        TestContext.Current.TestOutputHelper?.WriteLine(
            $"{count} forms: {string.Join(", ", statuses.Select(statuse => $"{statuse.Value} × {statuse.Key}"))}; nothing of another "
                + $"school changed");
        Assert.True(statuses.GetValueOrDefault(302) + statuses.GetValueOrDefault(200) > 50, "too few were taken");
    }

    /// <summary>A length for every field, and for every request; whoever is not signed in sends less.</summary>
    [Theory]
    [InlineData("/", 15_000, HttpStatusCode.OK)]
    [InlineData("/", 20_000, HttpStatusCode.RequestEntityTooLarge)]
    [InlineData("/go", 60_000, HttpStatusCode.RequestEntityTooLarge)]
    public async Task What_is_too_long_is_refused_before_it_is_read(string path, int length, HttpStatusCode expected)
    {
        using var visitor = new Visitor(site);
        var (_, fields) = await visitor.Form(path, path == "/" ? "Sign in" : "Begin");
        fields[path == "/" ? "userName" : "code"] = new string('n', length);
        Assert.Equal(expected, (await visitor.Post(path, fields)).StatusCode);
    }

    private static void Change(List<KeyValuePair<string, string>> fields, Random random, Guid[] foreign)
    {
        if (fields.Count == 0) return;
        var at = random.Next(fields.Count);
        if (fields[at].Key == "__RequestVerificationToken") return;
        switch (random.Next(6))
        {
            case 0:
                fields.RemoveAt(at);
                break;
            case 1:
                fields.Add(fields[at]);
                break;
            case 2:
                fields[at] = new(fields[at].Key, foreign[random.Next(foreign.Length)].ToString());
                break;
            default:
                fields[at] = new(fields[at].Key, Odd[random.Next(Odd.Length)]);
                break;
        }
    }

    private async Task<Visitor> Somebody() =>
        await Visitor.TeacherOf(site, (await site.Colleague(site.A, PersonRole.Teacher, inCharge: true)).UserName);

    /// <summary>Pages with forms, of things that are there.</summary>
    private async Task<List<string>> Pages()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var (set, practice) = await site.Set(site.A, child.Id, "next-hour");
        var (visit, _) = await site.Visit(site.A, 2);
        var named = await site.Class(site.A, Core.Items.Stage.OClock, $"Skua {Guid.NewGuid():N}"[..14]);
        return
        [
            $"/children/{child.Id}", $"/children/{child.Id}/record", $"/children/{child.Id}/erase", $"/children/{child.Id}/teaching",
            $"/children/{child.Id}/progress", $"/ask/{sitting}", $"/ask/begin/{child.Id}", $"/practise/{set}",
            $"/practise/new/{child.Id}?pattern=next-hour", $"/visits/{visit}", $"/classes/{named}", $"/classes/{named}/grid",
            "/children/new", "/classes", "/day", "/timetable", "/settings", "/people", "/years-end", "/you", "/files", "/who-did-what",
            "/clock",
        ];
    }

    private async Task<Guid[]> Foreign()
    {
        var child = await site.Child(site.B);
        var sitting = await site.Sitting(site.B, child.Id);
        var (set, _) = await site.Set(site.B, child.Id, "next-hour");
        var (visit, _) = await site.Visit(site.B, 1);
        return [child.Id.Value, sitting.Value, set.Value, visit.Value, (await site.Class(site.B, Core.Items.Stage.OClock, "Skua")).Value,
            (await site.Colleague(site.B, PersonRole.Teacher)).Id.Value];
    }

    private Task<string> EverythingOf(SchoolId school) => site.App.InSchool(school, async connection =>
    {
        var hashes = new List<string>();
        foreach (var table in RecordRows.Tables.Append("person").Append("slot").Append("holiday").Append("school"))
            hashes.Add($"{table} {await connection.QuerySingleAsync<string>($"select coalesce(md5(string_agg(one::text, '|' order by "
                + $"one::text)), '') from \"{table}\" one")}");
        return string.Join('\n', hashes);
    });
}
