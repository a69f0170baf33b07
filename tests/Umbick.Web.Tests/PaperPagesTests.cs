using System.Net;
using OpenQA.Selenium;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>Paper, from printing to what came back: codes, a key an item, and what a code does not open.</summary>
public sealed class PaperPagesTests(Site site) : IClassFixture<Site>
{
    private const int MostKeys = 40;

    private async Task<(Child Child, SittingId Sitting, string Letters, string Code)> Sheet(string pattern)
    {
        var child = await site.Child(site.A);
        var (_, sitting) = await site.Set(site.A, child.Id, pattern);
        return await site.App.InSchool(site.A, async connection =>
        {
            var letters = (await Sheets.For(connection, [sitting], DateTime.UtcNow))[sitting].Letters;
            return (child, sitting, letters, new SheetCode(await Sheets.Mark(connection), letters).ToString());
        });
    }

    private async Task<IReadOnlyList<AskedItem>> Asked(SittingId sitting) =>
        [.. (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]];

    private async Task<IReadOnlyDictionary<int, string>> Kept(SittingId sitting) =>
        (await site.App.InSchool(site.A, connection => Sittings.Rows(connection, sitting))).LatestAnswers
            .ToDictionary(answer => answer.Place, answer => answer.Raw);

    [Fact]
    public async Task A_sheet_is_entered_by_a_key_an_item_from_its_code_alone()
    {
        var (_, sitting, _, code) = await Sheet("next-hour");
        var held = HeldPattern.Plain(site.Model, Catalogue.Find("next-hour")!);
        var asked = await Asked(sitting);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/paper");
        // Of many that are out the list is folded.
        browser.Await($"[data-out='{code}']");
        Assert.Empty(browser.Axe());
        var keys = 0;
        Press(code.Replace(" ", "", StringComparison.Ordinal).ToLowerInvariant() + Keys.Enter);
        browser.Await("[data-day] button");
        browser.Click("Today");
        browser.Await("[data-place='1']:focus");
        Assert.Empty(browser.Axe());
        var patterned = new List<int>();
        for (var place = 1; place <= asked.Count; place++)
        {
            var item = asked[place - 1].Item;
            if (place == 3) Press("3" + "11:11" + Keys.Enter);
            else if (held.IsTelling(item) && patterned.Count < 2)
            {
                patterned.Add(place);
                Press("2");
            }
            else Press(place == 4 ? "0" : "1");
            if (place < asked.Count) browser.Await($"[data-place='{place + 1}']:focus");
        }
        Assert.NotEmpty(patterned);
        browser.Await($"#code:focus");
        browser.AwaitText($"{asked.Count} kept of {asked.Count}");
        Assert.True(keys <= MostKeys, $"{keys} keys");
        TestContext.Current.SendDiagnosticMessage($"{keys} keys for {asked.Count} items");
        var kept = await Kept(sitting);
        Assert.Equal("11:11", kept[3]);
        Assert.All(patterned, place => Assert.Equal(held.AnswerTo(asked[place - 1].Item).Short(Wording.Usual), kept[place]));
        Assert.All(Enumerable.Range(1, asked.Count).Except([3, 4, .. patterned]), place => Assert.Equal(".", kept[place]));
        if (!patterned.Contains(4)) Assert.Equal("-", kept[4]);

        // What is kept says what it is on the record, and the list is over; opened once more it says so.
        Assert.NotNull((await site.Now(site.A, sitting)).EndedAt);
        browser.Reload();
        browser.AwaitText("This sheet is entered already.");

        void Press(string text)
        {
            keys += text.Length;
            browser.Type(text);
        }
    }

    /// <summary>A real camera's way, but for the lens: Chromium plays a film of the sheet's square code.</summary>
    [Fact]
    public async Task A_sheet_held_before_the_camera_is_opened()
    {
        var (child, _, letters, code) = await Sheet("next-hour");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA, film: CameraPicture.Of(code));
        browser.Open("/paper");
        browser.Click("Read it with the camera");
        browser.AwaitPath($"/paper/{letters}");
        browser.AwaitText(child.Alias);
    }

    [Fact]
    public async Task Drawn_hands_are_noted_as_placed_ones_with_what_only_a_drawing_shows()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, ClockTasks.SetFromDigital.Id);
        var letters = (await site.App.InSchool(site.A, connection => Sheets.For(connection, [sitting], DateTime.UtcNow)))[sitting].Letters;
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/paper/{letters}");
        browser.Click("Yesterday");
        browser.Await("[data-place='1']:focus");
        browser.Type("j7 40" + Keys.Enter);
        browser.AwaitText("1 kept of 1");
        Assert.Equal(7.2, Assert.IsType<PlacedAnswer>(await Read()).Hour!.Value, 2);
        browser.Find("[data-place='1']").SendKeys("x");
        browser.Await("[data-drawing='lengths-exchanged'][aria-pressed=true]");
        browser.Await("[data-place='1']:not([data-sent])");
        var answer = (await site.App.InSchool(site.A, connection => Sittings.Rows(connection, sitting))).LatestAnswers.Single();
        Assert.Equal(("lengths-exchanged", "j7 40"), (answer.How, answer.Raw));
        Assert.Equal(DateOnly.FromDateTime(DateTime.UtcNow).AddDays(-1), (await site.Now(site.A, sitting)).PaperDay);

        async Task<Answer?> Read() => (await site.Record(site.A, child.Id)).Sittings[^1].Questions[0].Answer;
    }

    [Fact]
    public async Task Given_on_paper_a_set_has_nine_without_help_and_one_that_waits_is_told_in_its_place()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var given = await teacher.Send($"/practise/new/{child.Id}?pattern=next-hour", "Give it on paper", new() { ["onPaper"] = "true" });
        Assert.Null((await teacher.Page(given.Headers.Location!.OriginalString)).QuerySelector("[data-waited]"));
        var asked = await Asked((await site.Record(site.A, child.Id)).SittingsAsked[0].Sitting.Id);
        Assert.Equal(SetRequest.LengthOnPaper, asked.Count);
        Assert.All(asked, each => Assert.Equal(Support.Bare, each.Support));
        var again = await teacher.Send($"/practise/new/{child.Id}?pattern=hands-swapped", "Give it on paper",
            new() { ["onPaper"] = "true" });
        Assert.NotNull((await teacher.Page(again.Headers.Location!.OriginalString)).QuerySelector("[data-waited]"));
        Assert.Single((await site.Record(site.A, child.Id)).SittingsAsked);
    }

    [Fact]
    public async Task Undo_goes_back_to_the_row_before_and_half_done_is_kept()
    {
        var (_, sitting, letters, _) = await Sheet("next-hour");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/paper/{letters}");
        browser.Click("Today");
        browser.Await("[data-place='1']:focus");
        browser.Type("1");
        browser.Await("[data-place='2']:focus");
        browser.Type("1");
        browser.Await("[data-place='3']:focus");
        browser.Type("u");
        browser.Await("[data-place='2']:focus");
        browser.Type("0");
        browser.Await("[data-place='3']:focus");
        browser.AwaitText("2 kept of");
        browser.AwaitScript("return document.querySelector('[data-place=\"2\"]').dataset.kept === '-'");
        Assert.Equal([(1, "."), (2, "-")], (await Kept(sitting)).OrderBy(kept => kept.Key).Select(kept => (kept.Key, kept.Value)));
        browser.Reload();
        browser.Await("[data-place='3']:focus");
        browser.Click("All right");
        browser.AwaitScript("return [...document.querySelectorAll('[data-place]')].every(box => box.dataset.kept !== '')");
        Assert.Equal("-", (await Kept(sitting))[2]);
    }

    [Fact]
    public async Task What_a_code_does_not_open_is_told_in_a_plain_word()
    {
        var (child, sitting, letters, code) = await Sheet("next-hour");
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains("A letter is not right", await Told(code[..^1] + (code[^1] == 'B' ? 'C' : 'B')), StringComparison.Ordinal);
        Assert.Contains("A letter is not right", await Told("next hour"), StringComparison.Ordinal);
        var mark = code[..3] == "ZZZ" ? "XXX" : "ZZZ";
        Assert.Contains("another school’s", await Told(new SheetCode(mark, letters).ToString()), StringComparison.Ordinal);
        var free = letters == "BBBB" ? "CCCC" : "BBBB";
        Assert.Contains("No sheet here", await Told(new SheetCode(code[..3], free).ToString()), StringComparison.Ordinal);
        // A child who has left, a list that was taken back.
        await site.App.InSchool(site.A, connection => Children.SetOnCaseload(connection, child.Id, onCaseload: false));
        Assert.Contains("has left the caseload", await Told(code), StringComparison.Ordinal);
        // Nor by its address, nor by a page that was open before.
        Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get($"/paper/{letters}")).StatusCode);
        var (_, fields) = await teacher.Form("/paper", "Open it");
        foreach (var (handler, sent) in new (string, Dictionary<string, string>)[] { ("row", new() { ["answer"] = $"{Guid.NewGuid()}",
            ["place"] = "1", ["raw"] = "." }), ("day", new() { ["day"] = "2026-01-05" }) })
        {
            sent["__RequestVerificationToken"] = fields["__RequestVerificationToken"];
            Assert.Equal(HttpStatusCode.NotFound, (await teacher.Post($"/paper/{letters}?handler={handler}", sent)).StatusCode);
        }
        await site.App.InSchool(site.A, connection => Children.SetOnCaseload(connection, child.Id, onCaseload: true));
        await site.App.InSchool(site.A, connection => Sittings.End(connection, sitting, DateTime.UtcNow));
        Assert.Contains("was taken back", await Told(code), StringComparison.Ordinal);
        // What is asked in a visit is not printed, and a code that was made for it opens nothing.
        var (visit, _) = await site.Visit(site.A, 1);
        var cold = (await site.App.InSchool(site.A, connection => VisitState.Load(connection, visit)))!.Children[0].Cold!.Sitting.Id;
        Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get($"/sheets/{cold}")).StatusCode);
        var made = (await site.App.InSchool(site.A, connection => Sheets.For(connection, [cold], DateTime.UtcNow)))[cold].Letters;
        Assert.Contains("in a visit", await Told(new SheetCode(code[..3], made).ToString()), StringComparison.Ordinal);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"/paper/{letters}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get($"/sheets/{sitting}?handler=pdf")).StatusCode);

        async Task<string> Told(string typed)
        {
            var answer = await teacher.Send("/paper", "Open it", new() { ["code"] = typed });
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            return (await Visitor.Read(answer)).QuerySelector("#why")!.TextContent;
        }
    }

    [Fact]
    public async Task Whoever_helps_enters_sheets_and_reads_nothing_that_was_kept()
    {
        var (_, sitting, letters, code) = await Sheet("next-hour");
        using var assistant = await Visitor.AssistantOf(site, site.A);
        await Visitor.AssertSentTo($"/paper/{letters}?day={DateTime.UtcNow:yyyy-MM-dd}",
            await assistant.Send("/paper", "Open it", new() { ["code"] = code, ["day"] = $"{DateTime.UtcNow:yyyy-MM-dd}" }));
        var (_, fields) = await assistant.Form($"/paper/{letters}", "Keep them all");
        fields["row-1"] = "4:20";
        await Visitor.AssertSentTo($"/paper/{letters}", await assistant.Post($"/paper/{letters}", fields));
        Assert.Equal("4:20", (await Kept(sitting))[1]);
        var page = (await assistant.Page($"/paper/{letters}")).DocumentElement.InnerHtml;
        Assert.DoesNotContain("4:20\"", page, StringComparison.Ordinal);
        Assert.DoesNotContain(Catalogue.Find("next-hour")!.TextsIn(Wording.Usual).Reads, page, StringComparison.Ordinal);
        // Sent once more, nothing is kept twice.
        var (_, again) = await assistant.Form($"/paper/{letters}", "Keep them all");
        await assistant.Post($"/paper/{letters}", again);
        Assert.Single((await site.App.InSchool(site.A, connection => Sittings.Rows(connection, sitting))).Answers);
    }

    [Fact]
    public async Task Each_child_of_a_class_has_a_sheet_of_their_own_and_the_day_is_told_once()
    {
        var aliases = Enumerable.Range(0, 4).Select(i => $"Wren {Guid.NewGuid():N}"[..14]).ToList();
        var id = await site.App.InSchool(site.A, connection => site.Screen.Start(connection, "Pier class", Stage.QuarterTo, aliases));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var pdf = await teacher.Get($"/classes/{id}/sheet?handler=pdf&size=letter");
        Assert.Equal("application/pdf", pdf.Content.Headers.ContentType!.MediaType);
        var sittings = await site.App.InSchool(site.A, connection => Sittings.OfScreening(connection, id));
        var sheets = await site.App.InSchool(site.A,
            connection => Sheets.For(connection, [.. sittings.Select(sitting => sitting.Id)], DateTime.UtcNow));
        Assert.Equal(aliases.Count, sheets.Values.Select(sheet => sheet.Letters).Distinct().Count());
        foreach (var sitting in sittings.Select(sitting => sheets[sitting.Id].Letters).Take(2))
        {
            var page = await teacher.Page($"/paper/{sitting}");
            if (page.QuerySelector("fieldset[disabled]") is not null)
                await teacher.Send($"/paper/{sitting}", "Yesterday", new() { ["day"] = $"{DateTime.UtcNow.AddDays(-1):yyyy-MM-dd}" });
        }
        Assert.Equal(DateOnly.FromDateTime(DateTime.UtcNow).AddDays(-1),
            (await site.App.InSchool(site.A, connection => Screenings.Find(connection, id)))!.PaperDay);
        Assert.Null((await teacher.Page($"/paper/{sheets[sittings[3].Id].Letters}")).QuerySelector("fieldset[disabled]"));
    }

    [Theory]
    [InlineData(8.27, 11.69)]
    [InlineData(8.5, 11)]
    public async Task A_page_for_home_is_one_side_and_tells_no_pattern(double width, double height)
    {
        var child = await site.Child(site.A);
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        foreach (var pattern in new[] { "next-hour", "to-as-past", "hour-hand-on-numeral" })
        {
            browser.Open($"/paper/home/{child.Id}?pattern={pattern}");
            Assert.Equal(3, browser.Count("[data-home-day]"));
            Assert.Equal(1, browser.PagesPrinted(width, height));
            var texts = Catalogue.Find(pattern)!.TextsIn(Wording.Usual);
            var told = browser.Find("[data-home]").Text;
            Assert.DoesNotContain(texts.Name, told, StringComparison.OrdinalIgnoreCase);
            Assert.DoesNotContain(child.Alias, told, StringComparison.Ordinal);
            Assert.DoesNotContain("%", told, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task What_the_family_told_is_kept_as_told_changed_and_no_evidence()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var path = $"/paper/home/{child.Id}?pattern=next-hour";
        var (_, fields) = await teacher.Form(path, "Keep it");
        fields.Remove("how");
        await teacher.Post(path, [.. fields, .. Ticked("easy", "with-help", "")]);
        Assert.Contains("day 1 easy, day 2 with help", await Notes(), StringComparison.Ordinal);
        await teacher.Post(path, [.. fields, .. Ticked("easy", "", "not-today")]);
        Assert.Contains("day 1 easy, day 3 not today", await Notes(), StringComparison.Ordinal);
        foreach (var wrong in new[] { Ticked("easy"), Ticked("easy", "hard", "") })
            Assert.Equal(HttpStatusCode.BadRequest, (await teacher.Post(path, [.. fields, .. wrong])).StatusCode);
        fields["toldOn"] = "2199-01-01";
        Assert.Equal(HttpStatusCode.BadRequest, (await teacher.Post(path, [.. fields, .. Ticked("easy", "", "")])).StatusCode);
        Assert.Contains("As the family told".ToLowerInvariant(),
            (await teacher.Page($"/children/{child.Id}/record")).DocumentElement.TextContent.ToLowerInvariant(), StringComparison.Ordinal);
        Assert.Empty((await site.Record(site.A, child.Id)).Sittings);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.NotFound, (await other.Get(path)).StatusCode);

        async Task<string> Notes() => (await teacher.Page(path)).QuerySelector("[data-home-notes]")!.TextContent;

        static IEnumerable<KeyValuePair<string, string>> Ticked(params string[] days) =>
            days.Select(how => KeyValuePair.Create("how", how));
    }

    [Fact]
    public async Task A_school_adds_a_language_by_a_file_and_is_told_what_is_wrong_with_one()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var english = await (await teacher.Get("/paper/languages?handler=english")).Content.ReadAsStringAsync();
        var urdu = Changed(Changed(Changed(Changed(english, "\"en-GB\"", "\"ur\""), "\"English\"", "\"اردو\""), "\"ltr\"", "\"rtl\""),
            "\"Clocks at home\"", "\"گھر پر گھڑی\"");
        Assert.Contains("“day” is to have {day} in it.", await Faults(Changed(urdu, "Day {day}", "Day")),
            StringComparison.Ordinal);
        Assert.Contains("“hour.idea” is missing.", await Faults(Changed(urdu, "\"hour.idea\"", "\"hour.ide\"")),
            StringComparison.Ordinal);
        Assert.Contains("It is no JSON", await Faults("clocks"), StringComparison.Ordinal);
        Assert.Contains("English ships", await Faults(english), StringComparison.Ordinal);
        foreach (var _ in new[] { 1, 2 }) Assert.Equal(HttpStatusCode.Redirect, (await Add(urdu)).StatusCode);
        var page = await teacher.Page($"/paper/home/{child.Id}?pattern=next-hour&language=ur");
        Assert.Equal("rtl", page.QuerySelector("[data-home]")!.GetAttribute("dir"));
        Assert.Contains("گھر پر گھڑی", page.QuerySelector("[data-home] h2")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("those of this device", page.DocumentElement.TextContent, StringComparison.Ordinal);
        using var other = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Single((await other.Page("/paper/languages")).QuerySelectorAll("[data-language]"));
        await teacher.Send("/paper/languages", "Take اردو away");
        Assert.Single((await teacher.Page("/paper/languages")).QuerySelectorAll("[data-language]"));

        static string Changed(string file, string from, string to) => file.Replace(from, to, StringComparison.Ordinal);

        async Task<string> Faults(string file)
        {
            var answer = await Add(file);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            return (await Visitor.Read(answer)).QuerySelector("[data-faults]")!.TextContent;
        }

        async Task<HttpResponseMessage> Add(string file)
        {
            var (_, fields) = await teacher.Form("/paper/languages", "Add it");
            using var request = new HttpRequestMessage(HttpMethod.Post, new Uri("/paper/languages", UriKind.Relative));
            request.Content = new MultipartFormDataContent
            {
                { new StringContent(fields["__RequestVerificationToken"]), "__RequestVerificationToken" },
                { new StringContent(file), "file", "texts.json" },
            };
            return await teacher.Send(request);
        }
    }

    [Fact]
    public async Task The_camera_is_lent_to_the_page_of_codes_alone()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.StartsWith("camera=(self)", await PolicyOf("/paper"), StringComparison.Ordinal);
        Assert.StartsWith("camera=()", await PolicyOf("/paper/make/mat"), StringComparison.Ordinal);

        async Task<string> PolicyOf(string path) => (await teacher.Get(path)).Headers.GetValues("Permissions-Policy").Single();
    }
}
