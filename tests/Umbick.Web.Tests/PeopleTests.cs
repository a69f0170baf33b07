using System.Net;
using AngleSharp.Dom;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>People of a school: invited and let in by links, in roles, at several schools, with a second step.</summary>
public sealed class PeopleTests(Site site) : IClassFixture<Site>
{
    private const string Fresh = "four grey gulls at noon";

    [Fact]
    public async Task Somebody_who_is_invited_comes_in_once_in_the_role_that_was_given()
    {
        var link = await Invited("Assistant");
        using var guest = new Visitor(site);
        var name = Name();
        await Visitor.AssertSentTo("/helping", await guest.Send(link, "Come in", new() { ["userName"] = name, ["password"] = Fresh }));
        Assert.Equal(HttpStatusCode.OK, (await guest.Get("/helping")).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await guest.Get("/children")).StatusCode);
        // The link opens nothing any more, for them or for anybody.
        using var other = new Visitor(site);
        Assert.Contains("opens nothing any more", (await other.Page(link)).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Plover", (await InCharge("/people")).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_two_who_use_a_link_at_once_one_comes_in()
    {
        var link = await Invited("Teacher");
        using var visitor = new Visitor(site);
        using var other = new Visitor(site);
        var answers = await Task.WhenAll(
            new[] { visitor, other }.Select(async guest =>
                await guest.Send(link, "Come in", new() { ["userName"] = Name(), ["password"] = Fresh })));
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.Redirect], answers.Select(answer => answer.StatusCode).Order());
    }

    [Theory]
    [InlineData("short one", "A password has 12 characters or more.")]
    [InlineData("PasswordPassword", "one of those that are tried first")]
    [InlineData("qwerty123456", "one of those that are tried first")]
    [InlineData("ab", "A password has 12 characters or more.")]
    public async Task A_password_that_will_not_do_is_told_and_the_link_can_be_used_again(string password, string told)
    {
        var link = await Invited("Teacher");
        using var guest = new Visitor(site);
        var name = Name();
        Assert.Contains(told, (await Visitor.Read(
            await guest.Send(link, "Come in", new() { ["userName"] = name, ["password"] = password }))).Body!.TextContent,
                StringComparison.Ordinal);
        await Visitor.AssertSentTo("/day",
            await guest.Send(link, "Come in", new() { ["userName"] = name, ["password"] = "éèê öäü ßßß" + "x" }));
    }

    [Fact]
    public async Task A_user_name_that_somebody_has_is_told_and_the_link_can_be_used_again()
    {
        var link = await Invited("Teacher");
        using var guest = new Visitor(site);
        Assert.Contains("Somebody has that user name",
            (await Visitor.Read(await guest.Send(link, "Come in",
                new() { ["userName"] = site.TeacherOfB.ToUpperInvariant(), ["password"] = Fresh }))).Body!.TextContent,
                    StringComparison.Ordinal);
        await Visitor.AssertSentTo("/day", await guest.Send(link, "Come in", new() { ["userName"] = Name(), ["password"] = Fresh }));
    }

    [Fact]
    public async Task A_link_for_a_new_password_shuts_out_whoever_had_the_old_one()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var before = await Visitor.TeacherOf(site, person.UserName);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var link = await Links.Reset(charge, person.Id);
        using var guest = new Visitor(site);
        await Visitor.AssertSentTo("/day", await guest.Send(link, "Keep it and go in", new() { ["password"] = Fresh }));
        Assert.Equal(HttpStatusCode.Redirect, (await before.Get("/day")).StatusCode);
        using var again = await Visitor.TeacherOf(site, person.UserName, Fresh);
        Assert.Equal(HttpStatusCode.OK, (await again.Get("/day")).StatusCode);
    }

    /// <summary>Whoever could make a link for somebody who works elsewhere too could go in there as them.</summary>
    [Fact]
    public async Task Nobody_s_school_alone_lets_in_somebody_who_works_at_another_too()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        await site.App.InSchool(site.B, connection => People.Employ(connection, person.Id, "Knot", PersonRole.Teacher, inCharge: false));
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await charge.Form("/people", "cannot get in");
        fields["person"] = person.Id.ToString();
        var answer = await charge.Post("/people?handler=Reset", fields);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("works at another school too", (await Visitor.Read(answer)).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Somebody_who_works_elsewhere_comes_in_with_what_they_have_and_chooses_the_school()
    {
        var person = await site.Colleague(site.B, PersonRole.Teacher, inCharge: true);
        var link = await Invited("Assistant");
        using var guest = new Visitor(site);
        Assert.Contains("do not go together",
            (await Visitor.Read(await guest.Send(link, "Add this school",
                new() { ["userName"] = person.UserName, ["password"] = "not the password" }))).Body!.TextContent, StringComparison.Ordinal);
        await Visitor.AssertSentTo("/",
            await guest.Send(link, "Add this school", new() { ["userName"] = person.UserName, ["password"] = Site.Password }));
        await Visitor.AssertSentTo("/schools",
            await guest.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Site.Password }));

        // At one they are in charge, at the other an assistant.
        foreach (var (school, home, forbidden) in new[] { (site.A, "/helping", "/people"), (site.B, "/day", "/turn") })
        {
            var (action, fields) = await guest.Form("/schools", "Go on");
            fields["school"] = school.ToString();
            await Visitor.AssertSentTo(home, await guest.Post(action, fields));
            Assert.NotEqual(HttpStatusCode.OK, (await guest.Get(forbidden)).StatusCode);
            Assert.Contains(school == site.A ? "Skerry" : "Holm", (await guest.Page(home)).QuerySelector(".here")!.TextContent,
                StringComparison.Ordinal);
        }
        var (_, other) = await guest.Form("/schools", "Go on");
        other["school"] = Guid.NewGuid().ToString();
        Assert.Equal(HttpStatusCode.NotFound, (await guest.Post("/schools", other)).StatusCode);
    }

    [Fact]
    public async Task Whoever_works_here_already_keeps_what_they_are_when_they_try_a_link()
    {
        var link = await Invited("Assistant");
        using var guest = new Visitor(site);
        Assert.Contains("You work at this school already",
            (await Visitor.Read(await guest.Send(link, "Add this school",
                new() { ["userName"] = site.TeacherOfA, ["password"] = Site.Password }))).Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(await site.App.InSchool(site.A, People.All), person => person.UserName == site.TeacherOfA && person.InCharge);
        await Visitor.AssertSentTo("/helping", await guest.Send(link, "Come in", new() { ["userName"] = Name(), ["password"] = Fresh }));
    }

    [Fact]
    public async Task A_changed_role_holds_at_once_and_somebody_stays_in_charge()
    {
        var person = await site.Colleague(site.B, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.OK, (await teacher.Get("/day")).StatusCode);
        await Change(charge, person.Id, "Assistant");
        Assert.Equal(HttpStatusCode.Redirect, (await teacher.Get("/day")).StatusCode);

        // Each who is in charge takes the right from all the others; the last one cannot.
        var everybody = await site.App.InSchool(site.B, People.All);
        var refused = 0;
        foreach (var each in everybody.Where(known => known.InCharge))
            refused += await site.App.InSchool(site.B,
                connection => People.Change(connection, each.Id, PersonRole.Teacher, inCharge: false, leaves: false, DateTime.UtcNow)) ? 0
                    : 1;
        Assert.Equal(1, refused);
        Assert.Single(await site.App.InSchool(site.B, People.All), known => known.InCharge);
    }

    [Fact]
    public async Task Whoever_no_longer_works_here_gets_in_no_more_and_what_they_did_keeps_their_name()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await charge.Form("/people", "no longer works here");
        fields["person"] = person.Id.ToString();
        await Visitor.AssertSentTo("/people", await charge.Post("/people?handler=Leaves", fields));
        Assert.Equal(HttpStatusCode.Redirect, (await teacher.Get("/day")).StatusCode);
        Assert.Contains("do not go together",
            (await Visitor.Read(await teacher.Send("/", "Sign in",
                new() { ["userName"] = person.UserName, ["password"] = Site.Password }))).Body!.TextContent, StringComparison.Ordinal);
        var entries = (await charge.Page($"/who-did-what?person={person.Id}")).QuerySelectorAll("[data-entry='signed-in'] td");
        Assert.Contains("Knot", entries.Select(cell => cell.TextContent));
    }

    [Fact]
    public async Task A_new_password_of_one_s_own_ends_every_other_session()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var here = await Visitor.TeacherOf(site, person.UserName);
        using var elsewhere = await Visitor.TeacherOf(site, person.UserName);
        Assert.Contains("That is not your password now",
            (await Visitor.Read(await here.Send("/you", "Change it",
                new() { ["current"] = "not this one", ["password"] = Fresh }))).Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await elsewhere.Get("/day")).StatusCode);
        var changed = await Visitor.Read(await here.Send("/you", "Change it", new() { ["current"] = Site.Password, ["password"] = Fresh }));
        Assert.Contains("You have a new password", changed.Body!.TextContent, StringComparison.Ordinal);
        Assert.Single(changed.QuerySelectorAll("section[aria-labelledby=sessions] li"));
        Assert.Equal(HttpStatusCode.Redirect, (await elsewhere.Get("/day")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await here.Get("/day")).StatusCode);
        await here.Send("/you", "Sign out everywhere");
        Assert.Equal(HttpStatusCode.Redirect, (await here.Get("/day")).StatusCode);
    }

    [Fact]
    public async Task A_single_session_can_be_ended_from_another_device()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var here = await Visitor.TeacherOf(site, person.UserName);
        using var elsewhere = await Visitor.TeacherOf(site, person.UserName);
        await Visitor.AssertSentTo("/you", await here.Send("/you", "end it"));
        Assert.Equal(HttpStatusCode.Redirect, (await elsewhere.Get("/day")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await here.Get("/day")).StatusCode);
    }

    [Fact]
    public async Task With_the_second_step_on_a_password_alone_opens_nothing_and_a_code_on_paper_opens_once()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        var begun = await Visitor.Read(await teacher.Send("/you", "Begin", new() { ["current"] = Site.Password }));
        var key = begun.QuerySelector("[data-key]")!.TextContent.Replace(" ", "", StringComparison.Ordinal);
        var fields = begun.Forms.Single(form => form.TextContent.Contains("Turn it on", StringComparison.Ordinal)).QuerySelectorAll("input")
            .ToDictionary(input => input.GetAttribute("name")!, input => input.GetAttribute("value") ?? "");
        fields["code"] = "000000";
        Assert.Contains("not the code for this key",
            (await Visitor.Read(await teacher.Post("/you?handler=TurnOn", fields))).Body!.TextContent, StringComparison.Ordinal);
        // Figures of another script are figures too.
        var first = CodeOf(key);
        fields["code"] = string.Concat(first.Select(figure => (char)('٠' + (figure - '0'))));
        var on = await Visitor.Read(await teacher.Post("/you?handler=TurnOn", fields));
        var paper = on.QuerySelectorAll(".paper-codes code").Select(code => code.TextContent).ToList();
        Assert.Equal(10, paper.Count);
        // What stands in the database makes no codes.
        Assert.DoesNotContain(key, (await site.App.InSchool(site.A, connection => People.Find(connection, person.Id)))!.AuthenticatorKey!,
            StringComparison.Ordinal);

        // A code by time opens once, also the one that turned it on; those of two half minutes away open nothing.
        var next = CodeOf(key, 1);
        foreach (var (code, opens) in new[] { ("123456", false), (first, false), (CodeOf(key, -3), false), (CodeOf(key, 4), false),
            (next, true), (next, false), (paper[0], true), (paper[0], false),
            (paper[1].ToLowerInvariant().Replace("-", " ", StringComparison.Ordinal), true) })
        {
            using var again = new Visitor(site);
            await Visitor.AssertSentTo("/second-step",
                await again.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Site.Password }));
            Assert.Equal(HttpStatusCode.Redirect, (await again.Get("/day")).StatusCode);
            var answer = await again.Send("/second-step", "Go on", new() { ["code"] = code });
            Assert.Equal(opens ? HttpStatusCode.Redirect : HttpStatusCode.OK, answer.StatusCode);
            Assert.Equal(opens ? HttpStatusCode.OK : HttpStatusCode.Redirect, (await again.Get("/day")).StatusCode);
        }
    }

    [Fact]
    public async Task Who_did_what_tells_of_good_and_bad_sign_ins_and_is_filtered()
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var wrong = new Visitor(site);
        await wrong.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = "not the password" });
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        await teacher.Send("/settings", "Keep these");
        var child = await site.Child(site.A);
        for (var time = 0; time < 3; time++) await teacher.Page($"/children/{child.Id}");
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains("Knot", (await charge.Page("/who-did-what?what=wrong-password")).QuerySelector("[data-entry]")!.TextContent,
            StringComparison.Ordinal);
        var own = (await charge.Page($"/who-did-what?person={person.Id}")).QuerySelectorAll("[data-entry]")
            .Select(row => row.GetAttribute("data-entry"));
        // Opened three times within the hour, it is told once.
        Assert.Equal(["opened-record", "settings-changed", "signed-in"], own);
        Assert.Contains(child.Alias, (await charge.Page($"/who-did-what?child={child.Id}")).QuerySelector("h1")!.TextContent,
            StringComparison.Ordinal);
        Assert.Empty((await charge.Page("/who-did-what?what=erased&until=2020-01-01")).QuerySelectorAll("[data-entry]"));
    }

    private static string Name() => $"knot-{Guid.NewGuid():N}@skerry.example";

    private async Task<string> Invited(string role)
    {
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        return await Links.Invitation(charge, role);
    }

    private static async Task Change(Visitor charge, PersonId person, string role)
    {
        var (_, fields) = await charge.Form("/people", "Keep");
        (fields["person"], fields["role"]) = (person.ToString(), role);
        fields.Remove("inCharge");
        await Visitor.AssertSentTo("/people", await charge.Post("/people?handler=Change", fields));
    }

    private async Task<IDocument> InCharge(string path)
    {
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        return await charge.Page(path);
    }

    /// <summary>The six figures that a device shows for a key (RFC 6238), so many half minutes from now.</summary>
    private static string CodeOf(string key, int steps = 0) =>
        new OtpNet.Totp(OtpNet.Base32Encoding.ToBytes(key)).ComputeTotp(DateTime.UtcNow.AddSeconds(30 * steps));
}
