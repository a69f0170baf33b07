using OpenQA.Selenium;

namespace Umbick.Web.Tests;

/// <summary>The pages as somebody meets them who does not see them, has no mouse, or whose browser runs no scripts.</summary>
public sealed class ByEarTests(Site site) : IClassFixture<Site>
{
    private const string Said = "return document.getElementById('said').textContent";

    [Fact]
    public async Task The_next_question_and_what_came_of_an_answer_are_said_to_the_teacher()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        using var teacher = Browser.SignedIn(site.Address, site.TeacherOfA);
        teacher.Open($"/ask/{sitting}");
        teacher.Await("#raw:focus");
        teacher.Type("." + Keys.Enter);
        teacher.Await("#asking[data-answered='1'] #raw:focus");
        AwaitSaid(teacher, "question 2 of");
        AwaitSaid(teacher, ", right.");
        AwaitSaid(teacher, "“");
        teacher.Click("Ask another way");
        teacher.Click("On another device, by a code");
        AwaitSaid(teacher, teacher.Find("[data-code]").GetAttribute("data-code")!);
        Assert.Equal(1, teacher.Count("[role=status], [aria-live=polite], output"));
    }

    [Fact]
    public async Task A_child_hears_the_next_question_to_look_again_and_what_is_given()
    {
        var child = await site.Child(site.A);
        using var tablet = new Browser(site.Address);
        ChildAtScreen.Enter(tablet,
            await site.Code(site.A, await site.OnScreen(site.A, child.Id, "read-digital", "words-to-digital", "read-digital")));
        tablet.AwaitOpen();
        tablet.Click("I don’t know");
        tablet.Await("[data-question=words-to-digital]");
        // The field has the focus; what is asked and what is given are its description too.
        AwaitSaid(tablet, tablet.Find("h1").Text);
        AwaitSaid(tablet, tablet.Find(".in-words").Text);
        Assert.Contains(tablet.Find(".in-words").Text, tablet.Find($"#{tablet.Find("#entry").GetAttribute("aria-describedby")}").Text,
            StringComparison.Ordinal);

        var (_, practice) = await site.Set(site.A, (await site.Child(site.A)).Id, "next-hour");
        ChildAtScreen.Enter(tablet, await site.Code(site.A, practice));
        tablet.AwaitOpen();
        tablet.Type("7:11" + Keys.Enter);
        AwaitSaid(tablet, "Look again.");
        Assert.Equal(1, tablet.Count("[role=status], [aria-live=polite], output"));
    }

    [Fact]
    public async Task Tab_reaches_the_hands_before_Done()
    {
        var child = await site.Child(site.A);
        using var tablet = new Browser(site.Address);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, await site.OnScreen(site.A, child.Id, "set-from-words")));
        tablet.Await("h1:focus");
        var met = new List<string>();
        while (!met.Contains("Done"))
        {
            tablet.Type(Keys.Tab);
            met.Add(tablet.Script<string>("return document.activeElement.ariaLabel ?? document.activeElement.textContent.trim()"));
            Assert.True(met.Count < 12, string.Join(", ", met));
        }
        Assert.Equal(["Short hand", "Long hand"], met.Where(name => name.EndsWith("hand", StringComparison.Ordinal)));
    }

    [Theory]
    [InlineData("words-to-digital", ".in-words")]
    [InlineData("choose-time", "#turn .part-wide label")]
    [InlineData("match", "[data-join]")]
    public async Task Read_it_to_me_reads_what_is_asked_what_is_given_and_the_choices(string task, string also)
    {
        var child = await site.Child(site.A);
        using var tablet = new Browser(site.Address);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, await site.OnScreen(site.A, child.Id, task)));
        AssertReads(tablet, tablet.Script<IReadOnlyCollection<object>>(
            $"return [...document.querySelectorAll(`h1, {also}`)].map(e => e.textContent.trim())").Cast<string>());
    }

    [Fact]
    public async Task Read_it_to_me_is_there_in_practice_too()
    {
        var (_, practice) = await site.Set(site.A, (await site.Child(site.A)).Id, "next-hour");
        using var tablet = new Browser(site.Address);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, practice));
        AssertReads(tablet, [tablet.Find("h1").Text]);
    }

    /// <summary>A radio with its picture is one thing with one name.</summary>
    [Theory]
    [InlineData("choose-clock")]
    [InlineData("match")]
    [InlineData("choose-time")]
    public async Task A_radio_is_named_once(string task)
    {
        var child = await site.Child(site.A);
        using var tablet = new Browser(site.Address);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, await site.OnScreen(site.A, child.Id, task)));
        tablet.Await($"[data-question={task}]");
        var names = tablet.NamesOf("radio");
        Assert.True(names.Count > 3);
        Assert.Equal(names.Distinct(), names);
        Assert.All(names, name => Assert.DoesNotMatch(@"(Clock \w).*\1", name));
    }

    [Fact]
    public void The_keys_are_behind_a_press_and_on_a_question_mark_that_is_no_answer()
    {
        using var teacher = Browser.SignedIn(site.Address, site.TeacherOfA);
        teacher.Open("/clock");
        teacher.Type("?");
        teacher.Await("#keys:popover-open");
        Assert.Equal("The clock", teacher.Find("#keys h3").Text);
        Assert.Empty(teacher.Axe());
        teacher.Type(Keys.Escape);
        teacher.AwaitGone("#keys:popover-open");
        teacher.Click("Keys");
        teacher.Await("#keys:popover-open");
        teacher.Click("Close");
        teacher.AwaitGone("#keys:popover-open");
    }

    [Fact]
    public async Task A_question_mark_in_an_answer_is_an_answer()
    {
        var sitting = await site.Sitting(site.A, (await site.Child(site.A)).Id);
        using var teacher = Browser.SignedIn(site.Address, site.TeacherOfA);
        teacher.Open($"/ask/{sitting}");
        teacher.Await("#raw:focus");
        teacher.Type("?" + Keys.Enter);
        teacher.Await("#asking[data-answered='1'] #raw:focus");
        Assert.False(teacher.Has("#keys:popover-open"));
    }

    [Fact]
    public async Task Without_scripts_a_page_says_what_will_not_work_and_hands_by_numbers_are_taken()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, "set-from-words", "set-from-words");
        using var plain = new Visitor(site);
        await plain.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        Assert.Contains("runs no scripts", (await plain.Page("/turn")).QuerySelector("noscript")!.TextContent, StringComparison.Ordinal);
        foreach (var (hour, minute) in new[] { ("7,5", "30"), ("٣", "0") })
            await plain.Send("/turn", "Done", new() { ["hourPut"] = hour, ["minutePut"] = minute, ["hourHand"] = "", ["minuteHand"] = "" });
        Assert.Equal(["7.5|30", "3|0"],
            (await site.Record(site.A, child.Id)).SittingsAsked[0].Answered.Select(question => question.Given!.Raw));

        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Contains("runs no scripts", (await teacher.Page("/day")).QuerySelector("noscript")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("13", "30")]
    [InlineData("-1", "30")]
    [InlineData("7", "sixty")]
    [InlineData("NaN", "0")]
    public async Task A_number_that_is_nowhere_on_the_face_puts_no_hand(string hour, string minute)
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, "set-from-words");
        using var plain = new Visitor(site);
        await plain.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        var answer = await plain.Send("/turn", "Done",
            new() { ["hourPut"] = hour, ["minutePut"] = minute, ["hourHand"] = "", ["minuteHand"] = "" });
        Assert.Contains("Move both hands first", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
        Assert.Empty((await site.Record(site.A, child.Id)).SittingsAsked[0].Answered);
    }

    private static void AwaitSaid(Browser browser, string text) =>
        browser.AwaitScript($"{Said}.includes({System.Text.Json.JsonSerializer.Serialize(text)})");

    private static void AssertReads(Browser tablet, IEnumerable<string> texts)
    {
        tablet.AwaitOpen();
        // The voice itself is the device's: what it is given is looked at.
        tablet.Script<object?>("speechSynthesis.speak = (words) => { document.body.dataset.spoken = words.text; }");
        tablet.Click("Read it to me");
        var spoken = tablet.Find("[data-spoken]").GetAttribute("data-spoken")!;
        Assert.All(texts, text => Assert.Contains(text, spoken, StringComparison.Ordinal));
    }
}
