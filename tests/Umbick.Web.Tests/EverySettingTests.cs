using AngleSharp.Html.Dom;
using Umbick.Core.Items;
using Umbick.Core.Teaching;
using Umbick.Store;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>Every setting, on the pages that it speaks of: what stands there once it is chosen, and what stands there else.</summary>
public sealed class EverySettingTests(Site site) : IClassFixture<Site>, IAsyncDisposable
{
    /// <summary>Setting, choice, page, what is found there when it is chosen, and what by the usual choice.</summary>
    private static readonly (string Setting, string Choice, string Page, string Chosen, string Usual)[] Rows =
    [
        ("reading", "minute-first", "chart", ">1\\.</text><text[^>]*>The long hand", ">1\\.</text><text[^>]*>The short hand"),
        ("reading", "minute-first", "asking read-digital", "First the long hand", "First the short hand"),
        ("setting", "minute-first", "tablet set-from-digital", "Set the long hand first", "Set the short hand first"),
        ("setting", "minute-first", "asking set-from-digital", "Set the long hand first", "Set the short hand first"),
        ("path", "figures", "class-sheet", "^(?!.*>past / to<)", ">past / to<"),
        ("path", "figures", "form", "^(?!.*(read-words|words-to-digital|set-from-words))", "(read-words|words-to-digital|set-from-words)"),
        ("late-minutes", "back", "look-again numeral-as-minutes", "count back from the top", "^(?!.*count back)"),
        ("late-minutes", "back", "asking minutes-only", "count back from the top", "^(?!.*count back)"),
        ("count-start", "one", "look-again numeral-as-minutes", "five at the 1", "Start at the top"),
        ("count-start", "one", "asking minutes-only", "five at the 1", "Start at the top"),
        ("hour-words", "at", "look-again next-hour", "or just after", "short hand passed"),
        ("hour-words", "at", "asking hour-only", "at, or just after", "short hand passed"),
        ("minute-words", "numeral", "look-again numeral-as-minutes", "At which number is the long hand", "Start at the top"),
        ("minute-words", "numeral", "asking minutes-only", "At which number is the long hand", "Start at the top"),
        ("noon", "light", "asking day-part", "light then or dark", "where the count turns"),
        ("noon", "count", "asking day-part", "turns at noon and at midnight", "Think of the sun"),
        ("nearness", "place", "placed", "answered the short hand", ", right"),
        ("minute-numbers", "always", "tablet read-digital", "class=\"minute-number\"", "^(?!.*minute-number\")"),
        ("minute-numbers", "never", "set-sheet next-hour", "^(?!.*minute-number\")", "data-ink=\"minute-number\""),
        ("minute-numbers", "always", "class-sheet", "data-ink=\"minute-number\"", "^(?!.*minute-number\")"),
        ("support", "full", "set next-hour", "Full help", "^(?!.*Full help)"),
        ("support", "bare", "set-sheet next-hour", "^(?!.*hour-space)", "data-ink=\"hour-space\""),
        ("hands", "geared", "practise set-from-digital", "data-geared=\"yes\"", "data-geared=\"no\""),
        ("hands", "geared", "practise set-from-digital", "The hands go together", "Set the short hand first"),
        ("hands", "geared", "tablet set-from-digital", "data-geared=\"no\"", "data-geared=\"no\""),
        ("hands", "loose", "clock", "data-geared=\"no\"", "data-geared=\"yes\""),
        ("hands-agree", "asked", "settled read-digital", "Do the hands agree", "^(?!.*Do the hands agree)"),
        ("waiting", "countdown", "set", "A line runs down in 20 seconds", "There is no hurry"),
        ("waiting", "countdown", "practise read-digital", "data-line=\"20\"", "^(?!.*data-line)"),
        ("waiting", "countdown", "tablet read-digital", "^(?!.*data-line)", "^(?!.*data-line)"),
        ("past", "after", "pattern half-names-next", "half after eight", "half past eight"),
        ("past", "after", "tablet read-words", "value=\"after\"", "value=\"past\""),
        ("past", "after", "asking read-words", "with after or to", "with past or to"),
        ("past", "after", "class-sheet", ">after / to<", ">past / to<"),
        ("past", "after", "explain", "twenty after seven", "twenty past seven"),
        ("past", "after", "settings", "Half after and quarter to are heard", "Half past and quarter to are heard"),
        ("to", "till", "children", "Five-minute times, till", "Five-minute times, to"),
        ("to", "till", "pattern to-this-hour", "‘Till’ names the hour", "‘To’ names the hour"),
        ("to", "till", "tablet read-words", "value=\"till\"", "value=\"to\""),
        ("to", "till", "set-sheet to-as-past", ">past / till<", ">past / to<"),
        ("to", "till", "clock 10:45", "quarter till eleven", "quarter to eleven"),
        ("mark", "stop", "tablet read-digital", "data-key=\"\\.\"", "data-key=\":\""),
        ("mark", "stop", "clock 10:45", "10\\.45", "10:45"),
        ("mark", "stop", "pattern no-leading-zero", "writes 9\\.5 for", "writes 9:5 for"),
        ("mark", "stop", "set next-hour", @"\d\.\d\d, not \d+\.", @"\d:\d\d, not \d+:"),
        ("mark", "stop", "explain", "8\\.35|12\\.20", "8:35|12:20"),
        ("numerals", "roman", "class-sheet", ">VIII<", ">8<"),
        ("numerals", "roman", "tablet set-from-digital", ">VIII<", ">8<"),
        ("numerals", "quarters", "clock", "^(?!.*>8</text>)", ">8</text>"),
        ("ticks", "none", "set-sheet next-hour", "^(?!.*data-ink=\"tick[\" ])", "data-ink=\"tick[\" ]"),
        ("second-hand", "thin", "class-sheet", "hand-second", "^(?!.*hand-second)"),
        ("hand-colours", "plum-teal", "children", "hands-plum-teal", "hands-ink"),
        ("timing", "off", "tablet read-digital", "data-timed=\"no\"", "data-timed=\"yes\""),
        ("timing", "off", "asking read-digital", "data-timed=\"no\"", "data-timed=\"yes\""),
        ("own-clock", "minute-numbers", "begin", "value=\"minute-numbers\" selected", "value=\"plain\" selected"),
        ("own-clock-hands", "geared", "begin", "value=\"geared\" selected", "value=\"loose\" selected"),
        ("half-hour", "before", "settings", "“Half eight” is 7:30", "“Half eight” is asked about"),
        ("half-hour", "after", "settings", "“Half eight” is 8:30", "“Half eight” is asked about"),
        ("length", "8", "adaptive", "of about 8", "of about 12"),
        ("length", "16", "adaptive", "of about 16", "of about 12"),
    ];

    public static TheoryData<string, string, string> Pages => [.. Rows.Select(row => (row.Setting, row.Choice, row.Page)).Distinct()];

    [Theory]
    [MemberData(nameof(Pages))]
    public async Task A_setting_changes_what_it_says_it_changes(string setting, string choice, string page)
    {
        var usual = await Source(page);
        await Choose(new() { [setting] = choice });
        var chosen = await Source(page);
        foreach (var row in Rows.Where(row => (row.Setting, row.Choice, row.Page) == (setting, choice, page)))
        {
            Assert.Matches($"(?s){row.Usual}", usual);
            Assert.Matches($"(?s){row.Chosen}", chosen);
            if (row.Chosen != row.Usual) Assert.DoesNotMatch($"(?s){row.Chosen}", usual);
        }
    }

    [Fact]
    public void Every_setting_has_a_row() =>
        Assert.Empty(SettingList.All.Select(setting => setting.Id).Except(Rows.Select(row => row.Setting)));

    /// <summary>The school's choices are shared by the tests: each leaves them as it found them.</summary>
    public async ValueTask DisposeAsync() => await Choose([]);

    private Task Choose(Dictionary<string, string> choices) => site.App.InSchool(site.A, connection => Schools.Choose(connection, choices));

    /// <summary>The source of a page, by its name: what is asked, practised or printed stands after it.</summary>
    private async Task<string> Source(string page)
    {
        var (name, what) = page.Split(' ') is [var first, var rest] ? (first, rest) : (page, null);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var child = (await site.Child(site.A)).Id;
        return name switch
        {
            "children" or "patterns" or "settings" or "explain" => await TextOf(teacher, $"/{name}"),
            "pattern" => await TextOf(teacher, $"/patterns/{what}"),
            "begin" => await TextOf(teacher, $"/ask/begin/{child}"),
            "clock" when what is not null => await TextOf(teacher, "/clock?handler=time&hour=10.75&minute=45"),
            "clock" => await TextOf(teacher, "/clock"),
            "adaptive" => await TextOf(teacher, $"/ask/{await site.Sitting(site.A, child)}"),
            "asking" => await TextOf(teacher,
                $"/ask/{await site.Sitting(site.A, child, new AskingOptions(Plan.Chosen) { Tasks = [what!] })}"),
            "form" => await Tasks(await site.Sitting(site.A, (await site.Child(site.A, Stage.QuarterTo)).Id, new AskingOptions(Plan.Form))),
            "set" => await TextOf(teacher, $"/practise/new/{child}?pattern={what}"),
            "set-sheet" => await TextOf(teacher, $"/sheets/{(await site.Set(site.A, child, what)).Sitting}"),
            "class-sheet" => await TextOf(teacher,
                $"/classes/{await site.App.InSchool(site.A, connection => site.Screen.Start(connection, "Quay class", Stage.QuarterTo, [$"Pupil {Guid.NewGuid():N}"]))}/sheet"),
            "chart" => await TextOf(teacher, "/paper/make/chart"),
            "tablet" => await OnTablet(await site.OnScreen(site.A, child, what!)),
            "practise" => await Practised(child, what!),
            "settled" => await Answered(child, "next-hour", what!, "?", "?"),
            "look-again" => await Answered(child, what, ClockTasks.ReadDigital.Id, "?"),
            "placed" => await Placed(teacher),
            _ => throw new ArgumentOutOfRangeException(nameof(page), page, null),
        };
    }

    private static async Task<string> TextOf(Visitor visitor, string path) => Text(await visitor.Page(path));

    private static string Text(IHtmlDocument page) => page.DocumentElement.OuterHtml;

    private async Task<string> Tasks(SittingId sitting) =>
        string.Join(' ', (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]
            .Select(asked => asked.Item.Task.Id));

    /// <summary>A child's tablet at a sitting, after they have given some answers.</summary>
    private async Task<string> OnTablet(SittingId sitting, params string[] answers)
    {
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        foreach (var answer in answers) await tablet.Send("/turn", "Done", new() { ["raw"] = answer });
        return await TextOf(tablet, "/turn");
    }

    /// <summary>The first of a practice set that has this task: one for the coming hour, or one for reading at ease.</summary>
    private async Task<string> Practised(ChildId child, string task)
    {
        var (_, sitting) = await site.Set(site.A, child, task == ClockTasks.ReadDigital.Id ? null : "next-hour");
        var place = (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]
            .First(asked => asked.Item.Task.Id == task).Place;
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, place));
        return await OnTablet(sitting);
    }

    /// <summary>The first of a set for a pattern that has this task and a time that is not o'clock, after these answers.</summary>
    private async Task<string> Answered(ChildId child, string? pattern, string task, params string[] answers)
    {
        var (_, sitting) = await site.Set(site.A, child, pattern);
        var asked = (await site.App.InSchool(site.A, connection => Sittings.AskedIn(connection, [sitting])))[sitting]
            .First(each => each.Item.Task.Id == task && each.Item.Time.Minute != 0);
        await site.App.InSchool(site.A, connection => Sittings.MoveTo(connection, sitting, asked.Place));
        return await OnTablet(sitting, answers);
    }

    /// <summary>The page of a child at half past, who put the hour hand in the right space and far from its place.</summary>
    private async Task<string> Placed(Visitor teacher)
    {
        var child = await site.Child(site.A, Stage.HalfPast);
        var sitting = await site.OnScreen(site.A, child.Id, ClockTasks.SetFromDigital.Id);
        var time = (await site.Current(site.A, sitting)).Item.Time;
        using var tablet = new Visitor(site);
        await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) });
        await tablet.Send("/turn", "Done",
            new() { ["hourHand"] = FormattableString.Invariant($"{(time.Hour % 12) + 0.8}"), ["minuteHand"] = $"{time.Minute}" });
        return await TextOf(teacher, $"/children/{child.Id}");
    }
}
