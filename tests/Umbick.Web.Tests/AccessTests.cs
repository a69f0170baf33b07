using Microsoft.AspNetCore.DataProtection;
using System.Net;

namespace Umbick.Web.Tests;

/// <summary>Every route, from every side on which somebody may stand.</summary>
public sealed class AccessTests(Site site) : IClassFixture<Site>
{
    /// <summary>
    /// What is open to anybody: signing in, the page that tells an error, a child's code, the trainer, and, on demonstration data,
    /// explaining.
    /// </summary>
    private static readonly string[] Open = ["/", "/error/404", "/explain", "/go", "/trainer", "/welcome/next-hour"];

    /// <summary>Whose calendar it is stands in the address: one that is nobody's opens nothing, whoever asks.</summary>
    private const string Calendar = "/calendar/next-hour";

    private static bool IsOfTrainer(string route) => route.StartsWith("/trainer/", StringComparison.Ordinal);

    private static readonly string[] ChildOnly = ["/back", "/beside", "/screen", "/turn"];

    [Fact]
    public async Task Without_signing_in_every_other_route_leads_to_the_sign_in_page()
    {
        using var anybody = new Visitor(site);
        foreach (var route in Door.All.Select(door => door.Filled([])))
        {
            var answer = await anybody.Get(route);
            if (route == Calendar)
            {
                Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
                continue;
            }
            if (Open.Contains(route)) Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
            // What was asked stands in the address: without it there is nothing to show.
            else if (IsOfTrainer(route)) Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
            else AssertSignIn(answer, route);
            var post = await anybody.Post(route, []);
            Assert.True(post.StatusCode is HttpStatusCode.Redirect or HttpStatusCode.BadRequest or HttpStatusCode.OK,
                $"{route}: {post.StatusCode}");
            // The second step takes no form from whoever has not taken the first.
            if (route == "/second-step") Assert.Equal(HttpStatusCode.BadRequest, post.StatusCode);
            else if (IsOfTrainer(route)) Assert.Equal(HttpStatusCode.BadRequest, post.StatusCode);
            else if (!Open.Contains(route)) AssertSignIn(post, route);
        }
    }

    [Fact]
    public async Task Another_school_s_ids_lead_nowhere()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var (set, practice) = await site.Set(site.A, child.Id, "next-hour");
        var (visit, _) = await site.Visit(site.A, 1);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        foreach (var path in new[] { $"/children/{child.Id}", $"/ask/{sitting}", $"/ask/{practice}", $"/practise/{set}",
            $"/practise/new/{child.Id}?pattern=next-hour", $"/visits/{visit}", $"/children/{child.Id}/progress",
            $"/children/{child.Id}/progress?handler=csv", $"/children/{child.Id}/sittings/{sitting}" })
            Assert.Equal(HttpStatusCode.NotFound, (await other.Get(path)).StatusCode);

        var (_, fields) = await other.Form("/children", "Sign out");
        foreach (var path in new[] { $"/ask/start/{child.Id}", $"/ask/{sitting}?handler=stop", $"/practise/{set}",
            $"/practise/new/{child.Id}", $"/visits/{visit}?handler=stop", $"/day?absent={child.Id}",
            $"/children/{child.Id}?handler=takeBack&decision={Guid.NewGuid()}" })
            Assert.Equal(HttpStatusCode.NotFound, (await other.Post(path, new(fields) { ["pattern"] = "next-hour" })).StatusCode);
        fields["answer"] = Guid.NewGuid().ToString();
        fields["place"] = "1";
        fields["raw"] = "4:00";
        Assert.Equal(HttpStatusCode.NotFound, (await other.Post($"/ask/{sitting}?handler=answer", fields)).StatusCode);
        Assert.Empty((await site.Record(site.A, child.Id)).Sittings.SelectMany(each => each.Answered));
    }

    [Fact]
    public async Task Child_mode_opens_its_sitting_and_nothing_else()
    {
        var child = await site.Child(site.A);
        var (set, _) = await site.Set(site.A, child.Id, "next-hour");
        using var device = await Visitor.TeacherOf(site, site.TeacherOfA);
        var handed = await device.Send($"/practise/{set}", "Hand over");
        await Visitor.AssertSentTo("/turn", handed);

        var turn = await device.Page("/turn");
        Assert.DoesNotContain(child.Alias, turn.DocumentElement.TextContent, StringComparison.Ordinal);
        foreach (var route in Door.All.Select(door => door.Filled(new() { ["children"] = child.Id.Value }))
            .Except([.. Open, Calendar]).Except(ChildOnly).Where(route => !IsOfTrainer(route)))
        {
            AssertSignIn(await device.Get(route), route);
        }
        AssertSignIn(await device.Get($"/practise/{set}"), "the set");
        // The sign-in page does not let them slip back in as the teacher.
        Assert.Contains("Password", (await device.Page("/")).DocumentElement.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Signing_in_again_ends_child_mode()
    {
        var child = await site.Child(site.A);
        var (set, _) = await site.Set(site.A, child.Id, "next-hour");
        using var device = await Visitor.TeacherOf(site, site.TeacherOfA);
        await device.Send($"/practise/{set}", "Hand over");
        await device.Send("/", "Sign in", new() { ["userName"] = site.TeacherOfA, ["password"] = Site.Password });
        await device.Page($"/children/{child.Id}");
        AssertSignIn(await device.Get("/turn"), "/turn");
    }

    [Fact]
    public async Task A_write_without_the_form_s_token_is_refused()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Post($"/ask/start/{child.Id}", []);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("grown old", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Empty((await site.Record(site.A, child.Id)).Sittings);
    }

    [Fact]
    public async Task A_wrong_password_is_told_plainly_and_keeps_the_name()
    {
        using var anybody = new Visitor(site);
        var answer = await anybody.Send("/", "Sign in", new() { ["userName"] = site.TeacherOfB, ["password"] = "wrong" });
        var page = await Visitor.Read(answer);
        Assert.Contains("do not go together", page.DocumentElement.TextContent, StringComparison.Ordinal);
        Assert.Equal(site.TeacherOfB, page.QuerySelector("[name=userName]")!.GetAttribute("value"));
    }

    [Fact]
    public async Task Every_page_carries_a_strict_policy_and_nothing_inline()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var (set, _) = await site.Set(site.A, child.Id, "hands-swapped");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var path in new[] { "/children", $"/children/{child.Id}", "/ask", $"/ask/{sitting}", "/practise", $"/practise/{set}",
            $"/practise/new/{child.Id}?pattern=next-hour", "/patterns", "/explain?time=4:00&answer=12:20" })
        {
            var answer = await teacher.Get(path);
            var policy = string.Join(";", answer.Headers.GetValues("Content-Security-Policy"));
            Assert.Equal(
                "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
                    + "manifest-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
                policy);
            Assert.Contains("no-store", answer.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
            var page = await Visitor.Read(answer);
            Assert.Empty(page.QuerySelectorAll("[style], style, script:not([src]), [onclick], [href^=http], [src^=http]"));
        }
    }

    /// <summary>
    /// Neither on the page nor in what is fetched ahead; a screen reader is told that there is a clock, and not its time.
    /// </summary>
    [Fact]
    public async Task A_child_s_page_holds_the_time_of_no_clock_that_is_to_be_read()
    {
        string[] tasks = ["read-digital", "read-words", "minutes-only", "hour-only", "describe"];
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, tasks);
        var items = (await site.Record(site.A, child.Id)).SittingsAsked[0].Questions.Select(question => question.Asked.Item).ToList();
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        var now = await (await tablet.Get("/turn")).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        var ahead = await (await tablet.Get("/turn?handler=ahead")).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Contains("A clock", now, StringComparison.Ordinal);
        Assert.All(tasks.Skip(1), task => Assert.Contains($"data-question=\"{task}\"", ahead, StringComparison.Ordinal));
        foreach (var item in items)
        {
            var words = Core.Clocks.Wording.Usual.Words(item.Time);
            Assert.All([now, ahead], page => Assert.DoesNotMatch($@"(?<!\d)({item.Time}|{words})(?!\d)", page));
        }
    }

    [Fact]
    public async Task A_person_is_found_by_name_and_by_key()
    {
        using var people = new PeopleStore(site.App, new EphemeralDataProtectionProvider());
        var person = await people.FindByNameAsync(site.TeacherOfA.ToUpperInvariant(), default);
        Assert.Equal(site.A, person!.School);
        Assert.Equal(person.UserName, (await people.FindByIdAsync(person.Key, default))!.UserName);
        Assert.Null(await people.FindByIdAsync($"{site.B:N}.{person.Id:N}", default));
        Assert.Null(await people.FindByNameAsync("NOBODY", default));
    }

    [Fact]
    public void Keys_are_kept_and_read_back()
    {
        var ring = new KeyRing(site.App);
        var name = Guid.NewGuid().ToString();
        ring.StoreElement(new System.Xml.Linq.XElement("test", name), name);
        Assert.Contains(ring.GetAllElements(), element => element.Value == name);
    }

    private static void AssertSignIn(HttpResponseMessage answer, string route)
    {
        Assert.True(answer.StatusCode == HttpStatusCode.Redirect, $"{route}: {answer.StatusCode}");
        Assert.Equal("/", new Uri(answer.Headers.Location!.OriginalString, UriKind.RelativeOrAbsolute) is { IsAbsoluteUri: true } uri
            ? uri.AbsolutePath : answer.Headers.Location.OriginalString.Split('?')[0]);
    }
}
