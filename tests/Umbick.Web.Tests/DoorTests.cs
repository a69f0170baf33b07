using System.Reflection;
using System.Text;
using Microsoft.AspNetCore.Authorization;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Every page and handler there is, by every verb and kind of content, from every side on which somebody may stand.</summary>
public sealed class DoorTests(Site site) : IClassFixture<Site>
{
    private static readonly string[] Verbs = ["HEAD", "PUT", "PATCH", "DELETE", "OPTIONS", "TRACE", "BREW"];

    private static readonly (string? Kind, string Content)[] Contents =
    [
        ("application/x-www-form-urlencoded",
            "child=x&place=99999999999&raw=%00&sitting=1&answer=2&pattern=none&day=0&stage=77&press=1&code=1"),
        ("application/x-www-form-urlencoded", "child[=1&[]=3&=4&&slot.=6&%ff%fe=%c3%28"),
        ("multipart/form-data; boundary=x", "--x\r\nContent-Disposition: form-data; name=\"child\"\r\n\r\n1\r\n--x--\r\n"),
        ("multipart/form-data", "nothing"),
        ("application/json", "{\"child\":1"),
        ("text/xml", "<a>"),
        (null, ""),
    ];

    [Fact]
    public void Each_page_states_who_may_see_it()
    {
        Assert.True(Door.All.Count > 30);
        Assert.All(Door.All, door => Assert.True(
            door.Model.GetCustomAttribute<AllowAnonymousAttribute>() is not null
                || door.Policy is Who.Records or Who.Files or Who.Sittings or Who.InCharge or Who.ChildPolicy or Who.SignedIn,
                $"{door.Route} states nobody"));
        Assert.Equal(["/", "/calendar/{secret}", "/error/{code:int}", "/explain", "/go", "/second-step", "/trainer", "/trainer/child",
            "/trainer/marking",
            "/trainer/told", "/trainer/visit", "/trainer/words", "/welcome/{link}"],
            Door.All.Where(door => door.Policy is null).Select(door => door.Route));
        Assert.Equal(["/files", "/files/{id:guid}"], Door.All.Where(door => door.Policy == Who.Files).Select(door => door.Route));
        Assert.Equal(["/back", "/beside", "/screen", "/turn"], Door.All.Where(door => door.Policy == Who.ChildPolicy).Select(door =>
            door.Route));
    }

    /// <summary>Whoever helps runs sittings and visits, and sees no finding, no record and nothing that is settled.</summary>
    [Theory]
    [InlineData("/ask/{id:guid}", true)]
    [InlineData("/visits/{id:guid}", true)]
    [InlineData("/practise/{id:guid}", true)]
    [InlineData("/day", false)]
    [InlineData("/children", false)]
    [InlineData("/children/{id:guid}", false)]
    [InlineData("/children/{id:guid}/progress", false)]
    [InlineData("/settings", false)]
    [InlineData("/ask", false)]
    [InlineData("/ask/begin/{id:guid}", false)]
    [InlineData("/visits/begin", false)]
    [InlineData("/children/{id:guid}/record", false)]
    [InlineData("/groups", false)]
    [InlineData("/calendar", false)]
    [InlineData("/children/{id:guid}/report/{kind}", false)]
    [InlineData("/reports/{id:guid}", false)]
    [InlineData("/service", false)]
    [InlineData("/helping", true)]
    [InlineData("/time-cards", true)]
    [InlineData("/glossary", true)]
    [InlineData("/children/{id:guid}/time", true)]
    [InlineData("/settings/day", false)]
    public void A_page_is_for_helpers_or_for_teachers_alone(string route, bool forHelpers) =>
        Assert.Equal(forHelpers ? Who.Sittings : Who.Records, Door.All.Single(door => door.Route == route).Policy);

    [Theory]
    [InlineData("/people")]
    [InlineData("/who-did-what")]
    [InlineData("/well")]
    [InlineData("/years-end")]
    public void A_page_is_for_whoever_is_in_charge(string route) =>
        Assert.Equal(Who.InCharge, Door.All.Single(door => door.Route == route).Policy);

    [Fact]
    public async Task Nobody_opens_what_is_not_theirs_and_nothing_breaks()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        var (set, _) = await site.Set(site.A, child.Id, "next-hour");
        var (visit, _) = await site.Visit(site.A, 1);
        var named = await site.Class(site.A, Core.Items.Stage.OClock, "Skua");
        var report = await site.Report(site.A, child.Id, "lead");
        var ids = new Dictionary<string, Guid>
        {
            ["children"] = child.Id.Value,
            ["ask"] = sitting.Value,
            ["practise"] = set.Value,
            ["visits"] = visit.Value,
            ["classes"] = named.Value,
            ["sheets"] = sitting.Value,
            ["reports"] = report.Value,
        };
        var before = await Rows();

        var asked = await Task.WhenAll(
            Walk(() => Task.FromResult(new Visitor(site)), "nobody", ids, child.Alias, door => door.Policy is null),
            Walk(() => Visitor.TeacherOf(site, site.TeacherOfB), "a teacher of another school", ids, child.Alias,
                door => door.Policy is not Who.ChildPolicy),
            Walk(() => Visitor.AtOneOfTwo(site, site.B, site.A), "a teacher of two schools, at the other", ids, child.Alias,
                door => door.Policy is not Who.ChildPolicy),
            Walk(() => AtTurn(sitting), "the child at a sitting", ids, child.Alias, door => door.Policy is null or Who.ChildPolicy));
        Assert.Equal(before, await Rows());

        // An assistant runs what is prepared, a teacher who is not in charge sees to no school, both may hand a device to a child; neither
        // breaks anything.
        var count = await Walk(() => Visitor.AssistantOf(site, site.A), "an assistant", ids, null,
            door => door.Policy is null or Who.Sittings or Who.SignedIn or Who.ChildPolicy);
        var plain = await site.Colleague(site.A, PersonRole.Teacher);
        count += await Walk(() => Visitor.TeacherOf(site, plain.UserName), "a teacher who is not in charge", ids, null,
            door => door.Policy is not Who.InCharge);

        // Who belongs here may change what is theirs; what they send breaks nothing either.
        var own = await Walk(() => Visitor.TeacherOf(site, site.TeacherOfA), "the teacher", ids, null, _ => true);
        TestContext.Current.TestOutputHelper?.WriteLine(
            $"{asked.Sum() + count + own} requests to {Door.All.Count} pages, 7 roles: 0 open, 0 broken");
    }

    /// <summary>Asks every page by every verb, handler and kind of content.</summary>
    /// <returns>How many requests there were.</returns>
    private static async Task<int> Walk(
        Func<Task<Visitor>> arrive, string role, Dictionary<string, Guid> ids, string? secret, Func<Door, bool> isOpen)
    {
        // Whoever looks round is the demonstration's teacher from then on, and no longer in their role.
        var visitor = await arrive();
        var token = await Token(visitor);
        var count = 0;
        foreach (var door in Door.All.Where(door => door.Route != "/sign-out"))
        {
            // What was asked before may have ended the session: handing over does.
            if (token is not null && await Token(visitor) is null)
            {
                visitor.Dispose();
                visitor = await arrive();
                token = await Token(visitor);
            }
            foreach (var route in new[] { door.Filled(ids), door.Filled([]) }.Distinct())
            {
                foreach (var verb in Verbs) await Ask(door, verb, route, null, "");
                foreach (var handler in door.Handlers("OnGet")) await Ask(door, "GET", With(route, handler), null, "");
                foreach (var handler in door.Handlers("OnPost").Append("none").Except(["LookRound"]))
                    foreach (var (kind, content) in Contents)
                        await Ask(door, "POST", With(route, handler), kind, content);
            }
        }
        visitor.Dispose();
        return count;

        async Task Ask(Door door, string verb, string path, string? kind, string content)
        {
            count++;
            using var request = new HttpRequestMessage(new HttpMethod(verb), path);
            if (verb == "POST") request.Content = new ByteArrayContent(Encoding.UTF8.GetBytes(content));
            if (kind is not null) request.Content!.Headers.TryAddWithoutValidation("Content-Type", kind);
            if (token is not null) request.Headers.Add("RequestVerificationToken", token);
            using var answer = await visitor.Send(request);
            var told = $"{role}, {verb} {path} {kind}: {(int)answer.StatusCode}";
            Assert.True((int)answer.StatusCode < 500, told);
            Assert.True(answer.Headers.Contains("Content-Security-Policy"), $"{told}, without the headers");
            if (!isOpen(door)) Assert.False(answer.IsSuccessStatusCode && verb != "OPTIONS", told);
            if (secret is not null && role != "the child at a sitting" && answer.IsSuccessStatusCode)
                Assert.False((await answer.Content.ReadAsStringAsync()).Contains(secret, StringComparison.Ordinal),
                    $"{told} tells {secret}");
        }
    }

    private static string With(string route, string handler) => handler.Length == 0 ? route
        : $"{route}{(route.Contains('?', StringComparison.Ordinal) ? '&' : '?')}handler={handler}";

    private static async Task<string?> Token(Visitor visitor)
    {
        var answer = await visitor.Get("/token");
        if (answer.IsSuccessStatusCode) return await answer.Content.ReadAsStringAsync();
        answer = await visitor.Get("/turn");
        return answer.IsSuccessStatusCode
            ? (await Visitor.Read(answer)).QuerySelector("[name=__RequestVerificationToken]")?.GetAttribute("value") : null;
    }

    private async Task<Visitor> AtTurn(SittingId sitting)
    {
        var visitor = new Visitor(site);
        await Visitor.AssertSentTo("/turn", await visitor.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) }));
        return visitor;
    }

    /// <summary>How much the school has.</summary>
    private Task<string> Rows() => site.App.InSchool(site.A, async connection =>
    {
        var counts = new List<int>();
        foreach (var table in new[] { "child", "sitting", "answer", "practice_set", "visit", "decision", "slot", "holiday", "barred_time",
            "absence", "demonstration_shown", "screening" })
            counts.Add(await connection.ExecuteScalarAsync<int>($"select count(*) from {table}"));
        return string.Join(' ', counts);
    });
}
