using System.Net;

namespace Umbick.Web.Tests;

/// <summary>Answers sent to an asking, in order and out of it.</summary>
public sealed class AskingTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task The_same_answer_posted_twice_is_one_and_the_same_id_with_another_is_a_409()
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            var (action, fields) = await teacher.Form(path, "Next");
            fields["raw"] = "4:12";
            Assert.Equal(HttpStatusCode.Redirect, (await teacher.Post(action, fields)).StatusCode);
            Assert.Equal(HttpStatusCode.Redirect, (await teacher.Post(action, fields)).StatusCode);
            fields["raw"] = "4:13";
            var other = await teacher.Post(action, fields);
            Assert.Equal(HttpStatusCode.Conflict, other.StatusCode);
            Assert.Contains("kept from this page before", await other.Content.ReadAsStringAsync(), StringComparison.Ordinal);
            Assert.Equal(["4:12"], await Raws(child));
        }
    }

    [Fact]
    public async Task A_stale_page_is_told_where_the_sitting_stands()
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            var (action, stale) = await teacher.Form(path, "Next");
            await teacher.Send(path, "Next", new() { ["raw"] = "4:12" });
            var answer = await teacher.Post(action, new(stale) { ["raw"] = "5:00" });
            Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
            Assert.Contains("has an answer already", (await Visitor.Read(answer)).QuerySelector("[role=alert]")!.TextContent,
                StringComparison.Ordinal);
            Assert.Equal(["4:12"], await Raws(child));

            await teacher.Send(path, "Stop here");
            var late = await teacher.Post(action, new(stale) { ["raw"] = "5:00", ["answer"] = Guid.NewGuid().ToString() });
            Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
            Assert.Equal(["4:12"], await Raws(child));
        }
    }

    [Theory]
    [InlineData("", "Type what the child said")]
    [InlineData("   ", "Type what the child said")]
    [InlineData("half 8", "7:30 or 8:30")]
    public async Task What_cannot_be_taken_is_told_plainly_and_stays_in_the_field(string raw, string told)
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            var answer = await teacher.Send(path, "Next", new() { ["raw"] = raw });
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            var page = await Visitor.Read(answer);
            Assert.Contains(told, page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
            Assert.Equal(raw.Trim(), page.QuerySelector("#raw")!.GetAttribute("value"));
            Assert.Empty(await Raws(child));
        }
    }

    [Fact]
    public async Task An_answer_of_ten_thousand_characters_is_refused_with_its_length()
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            await teacher.Send(path, "Next", new() { ["raw"] = "4:00" });
            var answer = await teacher.Send(path, "Next", new() { ["raw"] = new string('8', 10_000) });
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            Assert.Contains("10,000 characters", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
            Assert.Equal(["4:00"], await Raws(child));
        }
    }

    [Theory]
    [InlineData("10:60")]
    [InlineData("the big one")]
    [InlineData("<b>4</b> & 'x'")]
    [InlineData("99:99")]
    public async Task A_time_that_cannot_be_is_kept_as_it_was_given(string raw)
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            Assert.Equal(HttpStatusCode.Redirect,
                (await teacher.Send(path, "Next", new() { ["raw"] = raw, ["confirmed"] = raw })).StatusCode);
            Assert.Equal([raw], await Raws(child));
            await teacher.Page($"/children/{child}");
            await teacher.Page(path);
        }
    }

    [Theory]
    [InlineData("answer", "not-an-id")]
    [InlineData("place", "many")]
    [InlineData("place", "99")]
    public async Task A_damaged_form_is_no_fault(string field, string value)
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            var answer = await teacher.Send(path, "Next", new() { ["raw"] = "4:00", [field] = value });
            Assert.True(answer.StatusCode is HttpStatusCode.BadRequest or HttpStatusCode.Conflict, answer.StatusCode.ToString());
            Assert.Empty(await Raws(child));
        }
    }

    [Theory]
    [InlineData("/explain?time=25:99&answer=4:00", "No clock can show")]
    [InlineData("/explain?time=4:00&answer=the+big+one", "cannot be read")]
    [InlineData("/explain?time=4:00&answer=half+8", "7:30 or 8:30")]
    [InlineData("/explain?time=4:00&answer=-", "No answer")]
    [InlineData("/explain?time=noonish&answer=", "No clock can show")]
    [InlineData("/explain?time=4:00&answer=10:60", "Nothing we know gives 10:60")]
    [InlineData("/explain?time=4:00&answer=4:00", "That is right")]
    [InlineData("/explain?time=10:59+%2B+1&answer=10:60&task=later", "The count goes on beyond 59.")]
    [InlineData("/explain?time=teatime&answer=10:60&task=later", "Type the time and the minutes")]
    [InlineData("/explain?time=9:10+am&answer=21:10&task=day-part", "Twelve is always added")]
    [InlineData("/explain?time=2:10&answer=%7C50&task=set-minutes", "The numeral is read as minutes.")]
    [InlineData("/explain?time=7:40&answer=7%7C&task=place-hour-hand", "The hour hand is put right on the numeral.")]
    [InlineData("/explain?time=11:15&answer=11:25&task=words-to-digital", "A quarter is taken as 25.")]
    [InlineData("/explain?time=6:20&answer=7&task=hour-only", "The coming hour is read.")]
    [InlineData("/explain?time=9:00&answer=on+12,+9&task=describe", "The two hands are taken for each other.")]
    [InlineData("/explain?time=6:20&answer=sideways&task=set-minutes", "one hand alone as")]
    [InlineData("/explain?time=4:00&answer=12:04", "The two hands are taken for each other, and the numeral is read as minutes.")]
    public async Task Explaining_tells(string path, string text)
    {
        using var anybody = new Visitor(site);
        Assert.Contains(text, (await anybody.Page(path)).DocumentElement.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Explaining_refuses_an_endless_answer()
    {
        using var anybody = new Visitor(site);
        Assert.Contains("characters",
            (await anybody.Page($"/explain?time=4:00&answer={new string('8', 5000)}")).DocumentElement.TextContent,
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_child_says_is_shown_as_text()
    {
        var (teacher, child, path) = await Open();
        using (teacher)
        {
            await teacher.Send(path, "Next", new() { ["raw"] = "<img src=x onerror=alert(1)>" });
            var page = await teacher.Page($"/children/{child}");
            Assert.Empty(page.QuerySelectorAll("img"));
        }
    }

    [Fact]
    public async Task Killed_in_the_middle_every_acknowledged_answer_is_there_once_and_the_same_item_is_next()
    {
        var server = await Site.Another();
        var (teacher, child, path) = await Open(server.Address);
        using (teacher)
        {
            string[] answers = ["4:12", "half past 3", "?"];
            foreach (var raw in answers) await teacher.Send(path, "Next", new() { ["raw"] = raw });
            var before = await teacher.Page(path);
            server.Dispose();
            using var again = await SiteProcess.Start(server.Address);
            var after = await teacher.Page(path);
            Assert.Equal(answers, await Raws(child));
            Assert.Equal(before.QuerySelector("[name=place]")!.GetAttribute("value"),
                after.QuerySelector("[name=place]")!.GetAttribute("value"));
            Assert.Equal(before.QuerySelector("[data-stage]")!.InnerHtml, after.QuerySelector("[data-stage]")!.InnerHtml);
            Assert.Equal(HttpStatusCode.Redirect, (await teacher.Send(path, "Next", new() { ["raw"] = "4:00" })).StatusCode);
            Assert.Equal([.. answers, "4:00"], await Raws(child));
        }
    }

    private async Task<(Visitor Teacher, ChildId Child, string Path)> Open(Uri? address = null)
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        return (await Visitor.TeacherOf(address ?? site.Address, site.TeacherOfA), child.Id, $"/ask/{sitting}");
    }

    private async Task<IEnumerable<string>> Raws(ChildId child) =>
        (await site.Record(site.A, child)).Sittings.SelectMany(sitting => sitting.Answered).Select(question => question.Given!.Raw);
}
