using OpenQA.Selenium;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>Asking in conversation, counted in keys.</summary>
public sealed class ConversationTests(Site site) : IClassFixture<Site>
{
    private const int MostKeys = 60;

    [Fact]
    public async Task Six_right_four_patterned_and_two_odd_answers_take_at_most_sixty_keys()
    {
        var (browser, child, sitting) = await Open();
        using (browser)
        {
            var keys = 0;
            var simulated = site.Simulated("next-hour");
            for (var i = 0; i < 12; i++)
            {
                browser.Await($"#asking[data-answered='{i}'] #raw:focus");
                var item = (await site.Current(site.A, sitting)).Item;
                // Figures are typed without their mark, and words as short as the parser takes them.
                var typed = i is 3 or 7 ? "11" : i is 1 or 4 or 6 or 9 ? Short(simulated.Answer(item, item.Task.Aloud)) : ".";
                browser.Type(typed + Keys.Enter);
                keys += typed.Length + 1;
            }
            browser.Await("[data-over]");
            TestContext.Current.SendDiagnosticMessage($"{keys} keys");
            Assert.True(keys <= MostKeys, $"{keys} keys");
            Assert.Equal(12, (await site.Record(site.A, child)).Sittings[0].Answered.Count());
        }
    }

    [Fact]
    public async Task On_the_child_s_screen_words_are_put_together_by_typing_how_they_begin()
    {
        var child = await site.Child(site.A);
        var sitting = await site.OnScreen(site.A, child.Id, ClockTasks.ReadWords.Id);
        using var tablet = new Browser(site.Address, 1024, 768);
        ChildAtScreen.Enter(tablet, await site.Code(site.A, sitting));
        foreach (var (group, keys) in new[] { ("amount", "q"), ("way", "t"), ("hour", "11") })
        {
            tablet.Focus($"[name={group}]");
            tablet.Type(keys);
        }
        tablet.TabTo("Done");
        tablet.AwaitOpen();
        tablet.Type(Keys.Enter);
        ChildAtScreen.AwaitFinished(tablet);
        Assert.Equal("quarter to 11", (await site.Record(site.A, child.Id)).Sittings[0].Answered.Single().Given!.Raw);
    }

    [Fact]
    public async Task One_key_each_notes_the_first_answer_a_prompt_the_mode_and_how_she_did_it()
    {
        var (browser, child, _) = await Open();
        using (browser)
        {
            browser.Await("#asking[data-answered='0'] #raw:focus");
            browser.Type("720>620!F=" + Keys.Enter);
            browser.Await("#asking[data-answered='1'] #raw:focus");
            browser.Type("B" + "400" + Keys.Enter);
            browser.Await("#asking[data-answered='2']");
            var given = (await site.Record(site.A, child)).Sittings[0].Answered.Select(question => question.Given!).ToList();
            Assert.Equal(("620", "720", true, "counted-fives", AnswerMode.Said),
                (given[0].Raw, given[0].FirstRaw, given[0].Prompted, given[0].How, given[0].AnswerMode));
            Assert.Equal(("400", null, false, "counted-back"), (given[1].Raw, given[1].FirstRaw, given[1].Prompted, given[1].How));
            Assert.True(given[1].BegunSeconds <= given[1].Seconds);
        }
    }

    [Fact]
    public async Task A_ready_answer_is_folded_until_opened_and_then_takes_one_key()
    {
        var (browser, child, _) = await Open();
        using (browser)
        {
            browser.Await("#asking[data-answered='0'] #raw:focus");
            Assert.Null(browser.Find("[data-ready]").GetAttribute("open"));
            Assert.Null(browser.Find("[data-belief]").GetAttribute("open"));
            browser.Click("Answers that stand ready");
            var ready = browser.Find("[data-ready-key=x]").GetAttribute("data-answer-is")!;
            browser.Focus("#raw");
            browser.Type("x");
            browser.Await("#asking[data-answered='1']");
            Assert.Equal(ready, (await site.Record(site.A, child)).Sittings[0].Answered.Single().Given!.Raw);
        }
    }

    [Fact]
    public async Task Hands_that_are_noted_as_said_are_seen_as_a_clock_before_they_are_kept()
    {
        var (browser, child, _) = await Open(new AskingOptions(Rows.Plan.Chosen) { Tasks = ["set-from-digital"] });
        using (browser)
        {
            browser.Await("#raw:focus");
            browser.Type("half 7 40");
            browser.Await("#understood [data-understood='7.5|40'] svg");
            Assert.Contains("halfway between the 7 and the 8", browser.Find("#understood").Text, StringComparison.Ordinal);
            browser.Type(Keys.Enter);
            browser.Await("[data-over]");
            Assert.Equal("half 7 40", (await site.Record(site.A, child)).Sittings[0].Answered.Single().Given!.Raw);
        }
    }

    [Fact]
    public async Task Three_without_an_answer_offer_an_easy_end_and_the_easy_one_is_the_last()
    {
        var (browser, child, _) = await Open();
        using (browser)
        {
            for (var i = 0; i < 3; i++)
            {
                browser.Await($"#asking[data-answered='{i}'] #raw:focus");
                Assert.False(browser.Has("[data-offer]"));
                browser.Type("-" + Keys.Enter);
            }
            browser.Await("[data-offer]");
            browser.Click("End on an easy one");
            browser.AwaitText("question 4 of about 4");
            browser.Focus("#raw");
            browser.Type("." + Keys.Enter);
            browser.Await("[data-over]");
            Assert.Equal(4, (await site.Record(site.A, child)).Sittings[0].Answered.Count());
        }
    }

    [Fact]
    public async Task One_left_out_is_gone_with_one_key_and_a_pause_loses_nothing()
    {
        var (browser, child, sitting) = await Open();
        using (browser)
        {
            browser.Await("#asking[data-answered='0'] #raw:focus");
            var place = (await site.Current(site.A, sitting)).Place;
            browser.Type(Keys.ArrowRight);
            browser.Await($"[data-answer-form] [name=place][value='{place + 1}']");
            browser.Type("." + Keys.Enter);
            browser.Await("#asking[data-answered='1']");
            browser.Click("Pause");
            browser.AwaitPath("/ask");
            browser.Find($"a[href='/ask/{sitting}']").Click();
            browser.Await("#asking[data-answered='1']");
            Assert.Single((await site.Record(site.A, child)).Sittings[0].Answered);
        }
    }

    [Fact]
    public async Task Her_own_clock_is_told_to_the_teacher_in_figures_and_can_be_turned_towards_her()
    {
        var (browser, _, sitting) = await Open(new AskingOptions(Delivery: DeliveryMode.OwnClock));
        using (browser)
        {
            browser.Await("[data-own-clock]");
            var item = (await site.Current(site.A, sitting)).Item;
            Assert.Equal(Wording.Usual.Digital(item.Time), browser.Find(".own-time").Text);
            Assert.False(browser.Has("[data-stage] svg"));
            browser.Find("[name=own-turn][value=left]").Click();
            Assert.StartsWith("matrix(0, -1",
                browser.Script<string>("return getComputedStyle(document.querySelector('.own-time')).transform"), StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task A_group_takes_turns_with_one_press_and_each_answer_goes_to_its_child()
    {
        // Turns go by the order of the list, which is by alias.
        var children = new[] { await site.Child(site.A), await site.Child(site.A), await site.Child(site.A) }.OrderBy(child => child.Alias,
            StringComparer.Ordinal).ToArray();
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open("/ask/together");
        foreach (var child in children) browser.Find($"[name=child][value='{child.Id}']").Click();
        browser.Click("Begin");
        foreach (var child in children)
        {
            browser.AwaitText($"{child.Alias} · question 1");
            browser.Await("#raw:focus");
            browser.Type($"? {child.Alias[^4..]}" + Keys.Enter);
            // What cannot be read is told, and kept when it is sent once more.
            browser.AwaitText("cannot be read");
            browser.Await("#asking:not([data-typing-on])");
            browser.Type(Keys.Enter);
        }
        browser.AwaitText($"{children[0].Alias} · question 2");
        browser.Click(children[2].Alias);
        browser.AwaitText($"{children[2].Alias} · question 2");
        browser.Await("#raw:focus");
        browser.Type("-" + Keys.Enter);
        browser.AwaitText($"{children[0].Alias} · question 2");
        var counts = new List<int>();
        foreach (var child in children) counts.Add(await Count(child.Id));
        Assert.Equal([1, 1, 2], counts);
        Assert.Equal($"? {children[1].Alias[^4..]}", (await site.Record(site.A, children[1].Id)).Sittings[0].Answered.Single().Given!.Raw);
    }

    [Theory]
    [InlineData("choose-clock")]
    [InlineData("match")]
    [InlineData("hour-only")]
    [InlineData("describe")]
    [InlineData("place-hour-hand")]
    [InlineData("repair-clock")]
    [InlineData("choose-names")]
    [InlineData("count-fives")]
    [InlineData("day-part")]
    [InlineData("number-face")]
    public async Task Each_kind_of_answer_can_be_typed_in_conversation(string task)
    {
        var child = await site.Child(site.A, Stage.EveryMinute);
        var sitting = await site.Sitting(site.A, child.Id, new AskingOptions(Plan.Chosen) { Tasks = [task] });
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var item = (await site.Current(site.A, sitting)).Item;
        await teacher.Send($"/ask/{sitting}", "Next", new() { ["raw"] = Typed(item) });
        var question = (await site.Record(site.A, child.Id)).Sittings[0].Questions.Single();
        Assert.True(question.IsRight, question.Given!.Raw);
    }

    /// <summary>The right answer as a teacher types it: clocks by their letters, hands by their places.</summary>
    private static string Typed(Item item) => item.Task.Id switch
    {
        "choose-clock" => $"{(char)('a' + item.Choices.ToList().FindIndex(choice => choice.Meaning == item.Time))}",
        "match" => string.Join("; ", item.Clocks.Select((clock, i) => $"{(char)('A' + i)}={clock}")),
        "repair-clock" => $"{HandPositions.Showing(item.Time).Hour.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture)}|",
        _ => item.Right.Short(Wording.Usual),
    };

    private static string Short(string answer)
    {
        foreach (var form in new[] { answer.Replace(":", "", StringComparison.Ordinal),
            answer.Replace("quarter to ", "qt", StringComparison.Ordinal), answer.Replace("quarter past ", "qp", StringComparison.Ordinal),
            answer.Replace("half past ", "hp", StringComparison.Ordinal) })
        {
            if (form.Length < answer.Length && AnswerParser.Parse(form).Meaning == AnswerParser.Parse(answer).Meaning) return form;
        }
        return answer;
    }

    private async Task<int> Count(ChildId child) => (await site.Record(site.A, child)).Sittings.Sum(sitting => sitting.Answered.Count());

    private async Task<(Browser Browser, ChildId Child, SittingId Sitting)> Open(AskingOptions? beginning = null)
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id, beginning);
        var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/ask/{sitting}");
        return (browser, child.Id, sitting);
    }
}
