using System.Net;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// What a page may take for an acknowledgement, and what becomes of an answer that arrives late, twice, damaged, or as a trick.
/// </summary>
public sealed class SubmittingTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task A_reply_names_the_answer_that_is_kept_and_again_when_it_is_sent_again()
    {
        var (tablet, child, sitting) = await Tablet("read-words", "set-from-digital", "read-digital");
        using (tablet)
        {
            var (action, fields) = await tablet.Form("/turn", "Done");
            fields = new(fields) { ["amount"] = "20", ["way"] = "past", ["hour"] = "6" };
            var first = await tablet.Swap(action, fields);
            Assert.Equal($"kept {fields["answer"]}", Header(first));
            // The reply was lost. The same comes again, when hands are asked for.
            var again = await tablet.Swap(action, fields);
            Assert.Equal((HttpStatusCode.OK, $"kept {fields["answer"]}"), (again.StatusCode, Header(again)));
            Assert.Contains("data-hand=", await again.Content.ReadAsStringAsync(), StringComparison.Ordinal);
            Assert.Equal(["20 past 6"], await Raws(child));

            var other = await tablet.Swap(action, new(fields) { ["hour"] = "7" });
            Assert.Equal((HttpStatusCode.Conflict, $"refused {fields["answer"]}"), (other.StatusCode, Header(other)));
            var stranger = Guid.NewGuid().ToString();
            var second = await tablet.Swap(action, new(fields) { ["answer"] = stranger });
            Assert.Equal((HttpStatusCode.Conflict, $"refused {stranger}"), (second.StatusCode, Header(second)));
            Assert.Contains("answered already", (await Visitor.Read(second)).QuerySelector("[data-told]")!.TextContent,
                StringComparison.Ordinal);
            Assert.Equal(["20 past 6"], await Raws(child));
            Assert.Equal(2, (await site.Now(site.A, sitting)).CurrentPlace);
        }
    }

    [Fact]
    public async Task Words_that_come_when_a_keypad_is_shown_are_kept_under_their_own_question()
    {
        var (tablet, child, _) = await Tablet("read-words", "set-from-digital", "read-digital");
        using (tablet)
        {
            var (action, words) = await tablet.Form("/turn", "Done");
            var hands = new Dictionary<string, string>(words)
            {
                ["answer"] = Guid.NewGuid().ToString(),
                ["place"] = "2",
                ["hourHand"] = "7.5",
                ["minuteHand"] = "30"
            };
            var figures = new Dictionary<string, string>(words)
            {
                ["answer"] = Guid.NewGuid().ToString(),
                ["place"] = "3",
                ["raw"] = "4:00"
            };
            foreach (var sent in new[] { hands, figures, new(words) { ["amount"] = "20", ["way"] = "past", ["hour"] = "6" } })
                Assert.StartsWith("kept ", Header(await tablet.Swap(action, sent)), StringComparison.Ordinal);
            Assert.Equal(["20 past 6", "7.5|30", "4:00"], await Raws(child));
        }
    }

    [Theory]
    [InlineData("/turn?handler=answer")]
    [InlineData("/turn?handler=on")]
    [InlineData("/turn?handler=state&version=1")]
    [InlineData("/ask/00000000-0000-0000-0000-000000000001?handler=answer")]
    [InlineData("/classes/00000000-0000-0000-0000-000000000001/grid?handler=cell")]
    [InlineData("/children")]
    [InlineData("/token")]
    public async Task A_script_that_is_not_signed_in_is_told_so_and_led_nowhere(string path)
    {
        using var anybody = new Visitor(site);
        var answer = await anybody.Swap(path, new() { ["answer"] = Guid.NewGuid().ToString() });
        Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
        Assert.Null(Header(answer));
        Assert.Null(answer.Headers.Location);
    }

    [Fact]
    public async Task A_session_that_ended_meanwhile_acknowledges_nothing_and_a_new_one_takes_what_waited()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (action, fields) = await teacher.Form($"/ask/{sitting}", "Next");
        fields["raw"] = "4:12";
        teacher.Forget();
        Assert.Equal(HttpStatusCode.Unauthorized, (await teacher.Swap(action, fields)).StatusCode);
        Assert.Empty(await Raws(child.Id));
        // Signed in again, the old form key is no good: a fresh one is fetched, the answer goes as it was.
        await teacher.Send("/", "Sign in", new() { ["userName"] = site.TeacherOfA, ["password"] = Site.Password });
        fields["__RequestVerificationToken"] = await (await teacher.Get("/token")).Content.ReadAsStringAsync();
        Assert.Equal($"kept {fields["answer"]}", Header(await teacher.Swap(action, fields)));
        Assert.Equal(["4:12"], await Raws(child.Id));
    }

    [Theory]
    [InlineData("seconds", "NaN")]
    [InlineData("seconds", "Infinity")]
    [InlineData("seconds", "-5")]
    [InlineData("seconds", "soon")]
    [InlineData("begun", "1e300")]
    [InlineData("waited", "yesterday")]
    [InlineData("try", "many")]
    [InlineData("hands", "tied")]
    public async Task What_goes_with_an_answer_may_be_damaged_and_the_answer_is_kept(string field, string value)
    {
        var (tablet, child, _) = await Tablet("read-digital");
        using (tablet)
        {
            var (action, fields) = await tablet.Form("/turn", "Done");
            Assert.Equal($"kept {fields["answer"]}", Header(await tablet.Swap(action, new(fields) { ["raw"] = "4:12", [field] = value })));
            var given = (await site.Record(site.A, child)).Sittings[0].Answered.Single().Given!;
            Assert.Equal("4:12", given.Raw);
            Assert.True(given.Seconds is null or >= 0);
        }
    }

    [Theory]
    [InlineData(".")]
    [InlineData("ok")]
    [InlineData("right")]
    [InlineData("RIGHT")]
    public async Task A_child_cannot_write_that_it_was_right(string raw)
    {
        var (tablet, child, _) = await Tablet("read-digital");
        using (tablet)
        {
            await tablet.Send("/turn", "Done", new() { ["raw"] = raw });
            var question = (await site.Record(site.A, child)).Sittings[0].Answered.Single();
            Assert.Equal((raw, false, true), (question.Given!.Raw, question.IsRight, question.Given.By is null));
        }
        // A form made by hand names no other answer than the two there are presses for.
        var (second, other, _) = await Tablet("read-digital");
        using (second)
        {
            await second.Send("/turn", "Done", new() { ["instead"] = "ok" });
            Assert.Empty(await Raws(other));
        }
    }

    [Fact]
    public async Task In_practice_a_full_stop_does_not_show_the_time()
    {
        var child = await site.Child(site.A);
        var (_, sitting) = await site.Set(site.A, child.Id, "next-hour");
        var item = (await site.Current(site.A, sitting)).Item;
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        await tablet.Send("/turn", "Done", new() { ["raw"] = "." });
        var page = await tablet.Page("/turn");
        Assert.Equal("look-again", page.QuerySelector("[data-feedback]")!.GetAttribute("data-feedback"));
        Assert.DoesNotContain(Wording.Usual.Digital(item.Time), page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("٣:٠٥", "3:05")]
    [InlineData("१२:३०", "12:30")]
    [InlineData("１２：３０", "12:30")]
    [InlineData("\ud83d\ude00 half past 🐧", null)]
    public async Task Anything_can_be_written_and_every_page_of_the_child_opens_ever_after(string raw, string? read)
    {
        var aliases = new[] { $"Pupil {Guid.NewGuid():N}" };
        var screening = await site.Class(site.A, Stage.FiveMinutesTo, aliases);
        var sitting = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, screening)))!.Children[0].Sitting.Sitting;
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting.Id) });
        var (action, fields) = await tablet.Form("/turn", "Done");
        Assert.StartsWith("kept ", Header(await tablet.Swap(action, new(fields) { ["raw"] = raw })), StringComparison.Ordinal);
        var answer = (await site.Record(site.A, sitting.Child)).Sittings[0].Answered.Single().Answer!;
        if (read is null) Assert.IsType<Unread>(answer);
        else Assert.Equal(read, answer.Short(Wording.Usual));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var path in new[] { $"/children/{sitting.Child}", $"/classes/{screening}", $"/classes/{screening}/grid",
            $"/classes/{screening}/sheet", $"/ask/{sitting.Id}", $"/sheets/{sitting.Id}", "/children" })
            await teacher.Page(path);
        await tablet.Page("/turn");
    }

    [Theory]
    [InlineData("/children/new", "Add the child", "alias", "\u200b\u2060")]
    [InlineData("/children/new", "Add the child", "alias", "\u3164")]
    [InlineData("/children/new", "Add the child", "alias", "Fern\u200b")]
    [InlineData("/classes", "Make the form", "aliases", "\u2800")]
    public async Task An_alias_that_cannot_be_seen_is_refused(string path, string press, string field, string alias)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Send(path, press, new() { [field] = alias, ["title"] = "Class", ["stage"] = "9" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("invisible", (await Visitor.Read(answer)).QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/", "Sign in", "userName", HttpStatusCode.BadRequest)]
    [InlineData("/go", "Begin", "code", HttpStatusCode.BadRequest)]
    [InlineData("/explain?time=4:00", "Explain", "answer", HttpStatusCode.OK)]
    [InlineData("/classes", "Make the form", "title", HttpStatusCode.BadRequest)]
    public async Task A_sign_that_no_database_holds_is_no_fault_on_any_form(string path, string press, string field, HttpStatusCode status)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = path.StartsWith("/explain", StringComparison.Ordinal) ? await teacher.Get($"{path}&{field}=%00")
            : path == "/" ? await new Visitor(site).Send(path, press, new() { [field] = "a\0b", ["password"] = "\0" })
            : await teacher.Send(path, press, new() { [field] = "a\0b", ["aliases"] = "Kelp", ["stage"] = "9" });
        Assert.Equal(status, answer.StatusCode);
    }

    [Theory]
    [InlineData("set-from-digital", "", "", "Move both hands")]
    [InlineData("set-from-digital", "7.5", "", "Move both hands")]
    [InlineData("set-from-digital", "NaN", "Infinity", "Move both hands")]
    [InlineData("place-hour-hand", "", "30", "Move the hand")]
    [InlineData("repair-clock", "", "", "Move the hand that is wrong")]
    [InlineData("read-digital", "", "", "Put in your answer")]
    public async Task Nothing_untouched_is_an_answer(string task, string hour, string minute, string told)
    {
        var (tablet, child, _) = await Tablet(task);
        using (tablet)
        {
            var page = await tablet.Page("/turn");
            Assert.All(page.QuerySelectorAll("[data-hand-value]"),
                field => Assert.True(field.HasAttribute("disabled"), "an untouched hand is not sent"));
            var (action, fields) = await tablet.Form("/turn", "Done");
            var sent = fields.Where(field => field.Key is not ("hourHand" or "minuteHand")).ToDictionary();
            if (hour.Length > 0) sent["hourHand"] = hour;
            if (minute.Length > 0) sent["minuteHand"] = minute;
            var answer = await tablet.Swap(action, sent);
            Assert.Equal((HttpStatusCode.BadRequest, $"refused {fields["answer"]}"), (answer.StatusCode, Header(answer)));
            Assert.Contains(told, (await Visitor.Read(answer)).QuerySelector("[data-told]")!.TextContent, StringComparison.Ordinal);
            Assert.Empty(await Raws(child));
        }
    }

    [Fact]
    public async Task What_cannot_be_read_is_told_at_once_and_kept_when_it_is_sent_again()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Send($"/ask/{sitting}", "Next", new() { ["raw"] = "xyzzy" });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var page = await Visitor.Read(answer);
        Assert.Contains("cannot be read", page.QuerySelector("[data-told]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("xyzzy", page.QuerySelector("#raw")!.GetAttribute("value"));
        Assert.Empty(await Raws(child.Id));
        var form = page.QuerySelectorAll("[data-answer-form] input").Where(input => input.GetAttribute("name") is not null)
            .GroupBy(input => input.GetAttribute("name")!).ToDictionary(same => same.Key, same => same.First().GetAttribute("value") ?? "");
        Assert.Equal($"kept {form["answer"]}", Header(await teacher.Swap($"/ask/{sitting}?handler=answer", form)));
        Assert.Equal(["xyzzy"], await Raws(child.Id));
    }

    [Fact]
    public async Task Typed_from_paper_a_half_is_asked_about_and_nonsense_is_told_and_both_are_kept()
    {
        var id = await site.Class(site.A, Stage.FiveMinutesTo, $"Pupil {Guid.NewGuid():N}");
        var sitting = (await site.App.InSchool(site.A, connection => site.Screen.Load(connection, id)))!.Children[0].Sitting.Sitting;
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await teacher.Form($"/classes/{id}/grid", "Keep all");
        async Task<HttpResponseMessage> Cell(int place, string raw, string? corrects = null) =>
            await teacher.Swap($"/classes/{id}/grid?handler=cell", new()
            {
                ["__RequestVerificationToken"] = fields["__RequestVerificationToken"],
                ["sitting"] = sitting.Id.ToString(),
                ["place"] = $"{place}",
                ["answer"] = Guid.NewGuid().ToString(),
                ["raw"] = raw,
                ["corrects"] = corrects ?? "",
            });
        var half = await Cell(1, "half 8");
        var note = (await Visitor.Read(half)).QuerySelector("[data-note=half]")!;
        Assert.Equal(["7:30", "8:30"], note.QuerySelectorAll("[data-means]").Select(press => press.GetAttribute("data-means")));
        Assert.NotNull((await Visitor.Read(await Cell(2, "xyzzy"))).QuerySelector("[data-note=unread]"));
        Assert.Equal("", await (await Cell(3, "4:00")).Content.ReadAsStringAsync());
        Assert.StartsWith("kept ", Header(await Cell(1, "7:30", Header(half)!.Split(' ')[1])), StringComparison.Ordinal);
        Assert.Equal(["7:30", "xyzzy", "4:00"], await Raws(sitting.Child));
        Assert.StartsWith("refused ", Header(await Cell(3, "5:00")), StringComparison.Ordinal);
        Assert.StartsWith("refused ", Header(await Cell(99, "5:00")), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Until_the_day_of_the_sheets_is_told_no_box_is_open()
    {
        var id = await site.App.InSchool(site.A,
            connection => site.Screen.Start(connection, "Class", Stage.HalfPast, [$"Pupil {Guid.NewGuid():N}"]));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.NotNull((await teacher.Page($"/classes/{id}/grid")).QuerySelector("[data-grid] fieldset[disabled]"));
        Assert.Equal(HttpStatusCode.BadRequest,
            (await teacher.Send($"/classes/{id}/grid", "Keep this day", new() { ["other"] = "2199-01-01" })).StatusCode);
        await teacher.Send($"/classes/{id}/grid", "Keep this day", new() { ["other"] = "2026-01-05" });
        var page = await teacher.Page($"/classes/{id}/grid");
        Assert.Null(page.QuerySelector("[data-grid] fieldset[disabled]"));
        Assert.Contains("Monday 5 January", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_presses_on_one_page_make_one_of_everything()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (begin, beginning) = await teacher.Form($"/ask/begin/{child.Id}", "Begin");
        var begun = await Task.WhenAll(teacher.Post(begin, beginning), teacher.Post(begin, beginning), teacher.Post(begin, beginning));
        Assert.Single(begun.Select(answer => answer.Headers.Location!.OriginalString).Distinct());
        var path = $"/practise/new/{child.Id}?pattern=next-hour";
        var (give, set) = await teacher.Form(path, "Give");
        var given = await Task.WhenAll(teacher.Post(give, set), teacher.Post(give, set));
        Assert.Single(given.Select(answer => answer.Headers.Location!.OriginalString).Distinct());
        var (add, fields) = await teacher.Form("/children/new", "Add the child");
        fields = new(fields) { ["alias"] = $"Moss {Guid.NewGuid():N}", ["stage"] = "9" };
        var added = await Task.WhenAll(teacher.Post(add, fields), teacher.Post(add, fields));
        Assert.All(added, answer => Assert.Equal($"/children/{fields["id"]}", answer.Headers.Location?.OriginalString));
        Assert.Equal($"/practise/new/{child.Id}", give);
    }

    [Fact]
    public async Task Tasks_to_choose_with_none_ticked_says_so_and_what_was_left_in_the_middle_can_be_ended()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var answer = await teacher.Send($"/ask/begin/{child.Id}", "Begin", new() { ["plan"] = $"{Plan.Chosen}", ["task"] = "" });
        await Visitor.AssertSentTo($"/ask/begin/{child.Id}?none=true", answer);
        Assert.Contains("No task is ticked",
            (await teacher.Page($"/ask/begin/{child.Id}?none=true")).QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Null((await site.Record(site.A, child.Id)).Child.OpenAsking);

        var sitting = await site.Sitting(site.A, child.Id);
        await teacher.Send($"/ask/{sitting}", "Next", new() { ["raw"] = "4:00" });
        await teacher.Send($"/ask/begin/{child.Id}", "End it here");
        Assert.NotNull((await site.Now(site.A, sitting)).EndedAt);
        Assert.Equal(["4:00"], await Raws(child.Id));
    }

    [Fact]
    public async Task Where_minutes_are_marked_with_a_full_stop_the_key_writes_it_and_alone_it_is_no_answer_that_is_right()
    {
        await site.App.InSchool(site.B, connection => Schools.Choose(connection, new Dictionary<string, string> { ["mark"] = "stop" }));
        var child = await site.Child(site.B);
        var sitting = await site.OnScreen(site.B, child.Id, "read-digital");
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.B, sitting) });
        Assert.NotNull((await tablet.Page("/turn")).QuerySelector("[data-key='.']"));
        await tablet.Send("/turn", "Done", new() { ["raw"] = "." });
        Assert.False((await site.Record(site.B, child.Id)).Sittings[0].Answered.Single().IsRight);
    }

    [Fact]
    public async Task Hands_are_kept_as_the_page_had_them_also_where_the_question_was_fetched_ahead()
    {
        await site.App.InSchool(site.B, connection => Schools.Choose(connection, new Dictionary<string, string> { ["hands"] = "geared" }));
        var child = await site.Child(site.B);
        var (_, sitting) = await site.Set(site.B, child.Id, "next-hour");
        var hands = (await site.Record(site.B, child.Id)).SittingsAsked[0].Questions.First(question =>
            AnswerBoxes.CanGear(question.Asked.Item)).Asked;
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.B, sitting) });
        var ahead = (await tablet.Page("/turn?handler=ahead")).QuerySelectorAll("[data-ahead]")
            .Single(part => part.QuerySelector("[name=place]")?.GetAttribute("value") == $"{hands.Place}");
        Assert.Equal(("geared", "yes"),
            (ahead.QuerySelector("[name=hands]")!.GetAttribute("value"), ahead.QuerySelector("[data-hands]")!.GetAttribute("data-geared")));
        var (action, fields) = await tablet.Form("/turn", "Done");
        // A page that had them loose, from before the school chose: they are kept as loose.
        var sent = new Dictionary<string, string>(fields)
        {
            ["answer"] = Guid.NewGuid().ToString(),
            ["place"] = $"{hands.Place}",
            ["hands"] = "loose",
            ["hourHand"] = "7.5",
            ["minuteHand"] = "30"
        };
        Assert.StartsWith("kept ", Header(await tablet.Swap(action, sent)), StringComparison.Ordinal);
        Assert.Equal(AnswerMode.Placed, (await site.Record(site.B, child.Id)).Sittings[0].Answered.Single().Given!.AnswerMode);
    }

    /// <summary>
    /// Fields as they may wait in a browser's storage since before an upgrade. A row here is never changed; one may be added.
    /// </summary>
    [Theory]
    [InlineData("read-digital", "raw=8:35", "8:35")]
    [InlineData("read-digital", "instead=?", "?")]
    [InlineData("read-words", "amount=number&number=20&way=past&hour=6", "20 past 6")]
    [InlineData("read-words", "amount=half&way=past", "half past ?")]
    [InlineData("set-from-digital", "hands=loose&hourHand=7.5&minuteHand=30", "7.5|30")]
    [InlineData("place-hour-hand", "hourHand=2.25", "2.25|")]
    [InlineData("infer-minute-hand", "minuteHand=30&raw=7:30", "|30 7:30")]
    [InlineData("hour-only", "hourOf=6&placeOf=halfway", "6 halfway")]
    [InlineData("describe", "beside=4&beside=5&longAt=6", "between 4 and 5, 6")]
    [InlineData("choose-names", "chosen=4:15&chosen=quarter past 4", "4:15; quarter past 4")]
    public async Task What_waits_on_a_tablet_since_an_older_version_is_kept_as_it_was_given(string task, string sent, string kept)
    {
        var (tablet, child, _) = await Tablet(task);
        using (tablet)
        {
            var (action, page) = await tablet.Form("/turn", "Done");
            var old = new[] { "answer", "place", "__RequestVerificationToken" }.Select(name => KeyValuePair.Create(name, page[name]))
                .Concat($"try=1&seconds=4.2&begun=2.1&waited=90000&later=true&{sent}".Split('&').Select(field => field.Split('=', 2))
                .Select(field => KeyValuePair.Create(field[0], field[1])));
            Assert.Equal($"kept {page["answer"]}", Header(await tablet.Swap("/turn?handler=answer", old)));
            Assert.Equal("/turn?handler=answer", action);
            Assert.Equal([kept], await Raws(child));
        }
    }

    private async Task<(Visitor Tablet, ChildId Child, SittingId Sitting)> Tablet(params string[] tasks)
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, tasks);
        var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        return (tablet, child.Id, sitting);
    }

    private static string? Header(HttpResponseMessage answer) => answer.Headers.TryGetValues("Umbick-Answer", out var values)
        ? values.Single() : null;

    private async Task<List<string>> Raws(ChildId child) =>
        [.. (await site.Record(site.A, child)).Sittings.SelectMany(sitting => sitting.Answered).Select(question => question.Given!.Raw)];
}
