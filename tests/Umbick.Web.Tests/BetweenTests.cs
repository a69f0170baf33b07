using System.Net;
using System.Text;
using AngleSharp.Dom;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// What holds when a thing is made must hold when it is used: between the two somebody joins, leaves, is given another role, or a record is
/// erased.
/// </summary>
public sealed class BetweenTests(Site site) : IClassFixture<Site>
{
    private const string Fresh = "four grey gulls at noon";

    private const string OpensNothing = "opens nothing any more";

    /// <summary>A head got into another school as a colleague by a link that was made before the colleague joined it.</summary>
    [Theory]
    [InlineData("joined another school")]
    [InlineData("joined another school and left it")]
    [InlineData("was given another role")]
    [InlineData("left")]
    [InlineData("left and came back")]
    public async Task A_link_for_a_new_password_ends_when_its_person(string what)
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var link = await Links.Reset(charge, person.Id);
        using var guest = new Visitor(site);
        Assert.Contains("A new password for Knot", (await guest.Page(link)).Body!.TextContent, StringComparison.Ordinal);
        Task Change(SchoolId school, PersonRole role, bool leaves) =>
            site.App.InSchool(school, connection => People.Change(connection, person.Id, role, inCharge: false, leaves, DateTime.UtcNow));
        Task Employ(SchoolId school) =>
            site.App.InSchool(school, connection => People.Employ(connection, person.Id, "Knot", PersonRole.Teacher, inCharge: false));
        if (what.StartsWith("joined", StringComparison.Ordinal)) await Employ(site.B);
        if (what.EndsWith("left it", StringComparison.Ordinal)) await Change(site.B, PersonRole.Teacher, leaves: true);
        if (what.Contains("role", StringComparison.Ordinal)) await Change(site.A, PersonRole.Assistant, leaves: false);
        if (what.StartsWith("left", StringComparison.Ordinal)) await Change(site.A, PersonRole.Teacher, leaves: true);
        if (what.EndsWith("back", StringComparison.Ordinal)) await Employ(site.A);
        Assert.Contains(OpensNothing, (await guest.Page(link)).Body!.TextContent, StringComparison.Ordinal);
        var (_, fields) = await guest.Form("/", "Sign in");
        fields["password"] = Fresh;
        Assert.Contains(OpensNothing, (await Visitor.Read(await guest.Post(link, fields))).Body!.TextContent, StringComparison.Ordinal);
        Assert.Empty((await charge.Page("/people")).QuerySelectorAll("#unused"));
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task An_invitation_ends_when_whoever_made_it_leaves_or_is_no_longer_in_charge(bool leaves)
    {
        var maker = await site.Colleague(site.A, PersonRole.Teacher, inCharge: true);
        using var charge = await Visitor.TeacherOf(site, maker.UserName);
        var link = await Links.Invitation(charge, "Teacher");
        using var guest = new Visitor(site);
        var (action, fields) = await guest.Form(link, "Come in");
        (fields["userName"], fields["password"]) = ($"knot-{Guid.NewGuid():N}@skerry.example", Fresh);
        await site.App.InSchool(site.A,
            connection => People.Change(connection, maker.Id, PersonRole.Teacher, inCharge: false, leaves, DateTime.UtcNow));
        // The form was open already: what counts is the moment at which it is sent.
        Assert.Contains(OpensNothing, (await Visitor.Read(await guest.Post(action, fields))).Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_new_password_leaves_the_second_step_on_and_turning_it_off_is_told_to_its_person()
    {
        var (person, codes) = await WithSecondStep(site.A);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var link = await Links.Reset(charge, person.Id);
        using var guest = new Visitor(site);
        await Visitor.AssertSentTo("/", await guest.Send(link, "Keep it and go in", new() { ["password"] = Fresh }));
        await Visitor.AssertSentTo("/second-step",
            await guest.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Fresh }));
        await Visitor.AssertSentTo("/day", await guest.Send("/second-step", "Go on", new() { ["code"] = codes[0] }));

        await TurnOff(charge, person.Id);
        // What was open is closed; whoever comes in next is told, until they say that they have read it.
        Assert.Equal(HttpStatusCode.Redirect, (await guest.Get("/day")).StatusCode);
        using var again = new Visitor(site);
        await Visitor.AssertSentTo("/you",
            await again.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Fresh }));
        Assert.Contains("was turned off", (await again.Page("/you")).QuerySelector("[data-second-step-off]")!.TextContent,
            StringComparison.Ordinal);
        await Visitor.AssertSentTo("/you", await again.Send("/you", "I have read this"));
        Assert.Empty((await again.Page("/you")).QuerySelectorAll("[data-second-step-off]"));
        Assert.Contains("turned the second step off", (await charge.Page("/who-did-what?what=second-factor-off")).Body!.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_second_step_stays_on_when_its_person_joins_another_school_before_the_press()
    {
        var (person, _) = await WithSecondStep(site.A);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await charge.Form("/people", "turn the second step off");
        fields["person"] = person.Id.ToString();
        await site.App.InSchool(site.B, connection => People.Employ(connection, person.Id, "Knot", PersonRole.Teacher, inCharge: false));
        var answer = await charge.Post("/people?handler=SecondStepOff", fields);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("works at another school too", (await Visitor.Read(answer)).Body!.TextContent, StringComparison.Ordinal);
        Assert.True((await site.App.InSchool(site.A, connection => People.Find(connection, person.Id)))!.TwoFactor);
    }

    /// <summary>A password without its second step attached an account to whichever school had made the link.</summary>
    [Fact]
    public async Task Whoever_has_a_second_step_joins_a_school_by_it_alone()
    {
        var (person, codes) = await WithSecondStep(site.B);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        var link = await Links.Invitation(charge, "Teacher");
        using var guest = new Visitor(site);
        foreach (var code in new[] { "", "123456" })
        {
            var refused = await Visitor.Read(
                await guest.Send(link, "Add this school",
                    new() { ["userName"] = person.UserName, ["password"] = Site.Password, ["code"] = code }));
            Assert.Contains("You have a second step", refused.Body!.TextContent, StringComparison.Ordinal);
        }
        Assert.Null(await site.App.InSchool(site.A, connection => People.Find(connection, person.Id)));
        await Visitor.AssertSentTo("/",
            await guest.Send(link, "Add this school",
                new() { ["userName"] = person.UserName, ["password"] = Site.Password, ["code"] = codes[0] }));
        Assert.NotNull(await site.App.InSchool(site.A, connection => People.Find(connection, person.Id)));
    }

    [Fact]
    public async Task Twenty_wrong_codes_close_the_second_step_and_whoever_is_in_charge_sees_it()
    {
        var (person, codes) = await WithSecondStep(site.A);
        using var guest = new Visitor(site);
        for (var i = 0; i < 20; i++)
        {
            // From another address each time, so that only the day's count holds them up.
            await site.App.BeforeSchool(connection =>
                DoorTries.Count(connection, true, person.UserName, [.. BitConverter.GetBytes(i / 4), .. new byte[28]]));
        }
        await Visitor.AssertSentTo("/second-step",
            await guest.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Site.Password }));
        var refused = await guest.Send("/second-step", "Go on", new() { ["code"] = codes[0] });
        Assert.Equal(HttpStatusCode.TooManyRequests, refused.StatusCode);
        Assert.Contains("closed for a day", (await Visitor.Read(refused)).Body!.TextContent, StringComparison.Ordinal);
        using var charge = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains("twenty wrong codes", (await charge.Page("/people")).QuerySelector("[data-stopped]")!.TextContent,
            StringComparison.Ordinal);
        // A new password by a link of theirs opens it again.
        await guest.Send(await Links.Reset(charge, person.Id), "Keep it and go in", new() { ["password"] = Fresh });
        await Visitor.AssertSentTo("/second-step",
            await guest.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Fresh }));
        await Visitor.AssertSentTo("/day", await guest.Send("/second-step", "Go on", new() { ["code"] = codes[0] }));
    }

    /// <summary>Every page of a child that stands open when the record is erased answers that there is none, and breaks nothing.</summary>
    [Fact]
    public async Task What_stands_open_when_a_record_is_erased_leads_nowhere()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id);
        var code = await site.Code(site.A, sitting);
        using var tablet = new Visitor(site);
        await Visitor.AssertSentTo("/turn", await tablet.Send("/go", "Begin", new() { ["code"] = code }));
        var waiting = await site.Code(site.A, sitting);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var pages = new[] { $"/children/{child.Id}", $"/children/{child.Id}/record", $"/children/{child.Id}/progress",
            $"/children/{child.Id}/teaching", $"/ask/{sitting}", $"/practise/new/{child.Id}?pattern=next-hour", $"/ask/begin/{child.Id}" };
        var forms = new List<(string Path, List<KeyValuePair<string, string>> Fields)>();
        foreach (var path in pages)
            foreach (var form in (await teacher.Page(path)).Forms.Where(form =>
                form.Method == "post" && form.GetAttribute("action") is not "/sign-out"))
                forms.Add((Visitor.ActionOf(form, path), Visitor.FieldsOf(form)));
        var turn = (await tablet.Page("/turn")).Forms.Select(form => ("/turn", Visitor.FieldsOf(form))).ToList();

        Assert.True(await site.App.InSchool(site.A, connection => Children.Erase(connection, child.Id, child.Alias)));
        foreach (var path in pages) Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get(path)).StatusCode);
        Assert.True(forms.Count > 12, "there was too little open");
        foreach (var (path, fields) in forms)
        {
            var answer = await teacher.Post(path, fields);
            Assert.True(answer.StatusCode is HttpStatusCode.NotFound or HttpStatusCode.BadRequest or HttpStatusCode.Redirect
                or HttpStatusCode.Conflict or HttpStatusCode.OK, $"{path}: {(int)answer.StatusCode}");
        }
        foreach (var (path, fields) in turn) Assert.Equal(HttpStatusCode.Redirect, (await tablet.Post(path, fields)).StatusCode);
        Assert.NotEqual(HttpStatusCode.OK, (await tablet.Get("/turn")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await tablet.Send("/go", "Begin", new() { ["code"] = waiting })).StatusCode);
        foreach (var table in new[] { "sitting", "practice_set", "decision", "cycle", "visit_child", "named_way" })
            Assert.Equal(0, await site.App.InSchool(site.A,
                connection => connection.ExecuteScalarAsync<int>($"select count(*) from {table} where child = @child",
                    new { child = child.Id })));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task A_file_that_was_read_is_taken_in_by_nobody_who_has_left_or_sees_no_records_any_more(bool leaves)
    {
        var person = await site.Colleague(site.A, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        var alias = $"Rail {Guid.NewGuid():N}"[..14];
        var (_, fields) = await teacher.Form("/files", "Read it");
        using var content = new MultipartFormDataContent
            { { new StringContent(fields["__RequestVerificationToken"]), "__RequestVerificationToken" },
                { new ByteArrayContent(Encoding.UTF8.GetBytes(
                    $"child,date,task,given,answer\n{alias},2026-03-02,read-digital,4:00,4:12\n")), "file", "answers.csv" } };
        using var request = new HttpRequestMessage(HttpMethod.Post, "/files") { Content = content };
        var path = (await teacher.Send(request)).Headers.Location!.OriginalString;
        IDocument read;
        do read = await teacher.Page(path);
        while (read.QuerySelector("form button") is null || !read.Body!.TextContent.Contains("Take", StringComparison.Ordinal));
        var (action, taking) = await teacher.Form(path, "Take");
        await site.App.InSchool(site.A,
            connection => People.Change(connection, person.Id, PersonRole.Assistant, inCharge: false, leaves, DateTime.UtcNow));
        Assert.NotEqual(HttpStatusCode.OK, (await teacher.Post(action, taking)).StatusCode);
        Assert.Empty(await site.App.InSchool(site.A, connection => Children.ByAlias(connection, [alias])));
    }

    /// <summary>Somebody with a second step, and codes on paper.</summary>
    private async Task<(Person Person, IReadOnlyList<string> Codes)> WithSecondStep(SchoolId school)
    {
        var person = await site.Colleague(school, PersonRole.Teacher);
        using var teacher = await Visitor.TeacherOf(site, person.UserName);
        var begun = await Visitor.Read(await teacher.Send("/you", "Begin", new() { ["current"] = Site.Password }));
        var key = begun.QuerySelector("[data-key]")!.TextContent.Replace(" ", "", StringComparison.Ordinal);
        var fields = Visitor.FieldsOf(begun.Forms.Single(form => form.TextContent.Contains("Turn it on", StringComparison.Ordinal)));
        fields.RemoveAll(field => field.Key == "code");
        fields.Add(new("code", new OtpNet.Totp(OtpNet.Base32Encoding.ToBytes(key)).ComputeTotp()));
        var on = await Visitor.Read(await teacher.Post("/you?handler=TurnOn", fields));
        return (person, [.. on.QuerySelectorAll(".paper-codes code").Select(code => code.TextContent)]);
    }

    private static async Task TurnOff(Visitor charge, PersonId person)
    {
        var (_, fields) = await charge.Form("/people", "turn the second step off");
        fields["person"] = person.ToString();
        await Visitor.AssertSentTo("/people", await charge.Post("/people?handler=SecondStepOff", fields));
    }
}
