using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Umbick.Casework;
using Umbick.Casework.Files;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Simulation;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Three hundred children of every kind, and what the pages say of each, as they are rendered, read against each other: one child's page,
/// the caseload, the progress, the record, the class and the end of a sitting may not tell two things of one child.
/// </summary>
public sealed partial class OneAccountTests(Site site) : IClassFixture<Site>
{
    private const string Head = "child,date,task,given,answer,sitting,kind,by\n";

    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);

    private static readonly IReadOnlyList<(string Kind, int Count)> Kinds =
    [
        ("one pattern", 50), ("two patterns", 40), ("from away", 40), ("odd", 20), ("guesses", 10), ("right", 20),
        ("never practised, cold starts right", 20), ("practised", 20),
        ("practised, does not learn", 10), ("over it", 15), ("look-alikes changed places", 15), ("ruled out and taken back", 10),
        ("in the middle", 10), ("screened", 10), ("never asked", 10),
    ];

    /// <summary>How often each thing that is read against others has to be there, so that something is read at all.</summary>
    private static readonly IReadOnlyList<(string What, int Least)> Least =
        [("main [data-finding]", 590), ("section[aria-labelledby=say] tbody tr", 150), ("[data-unexplained]", 50), ("[data-course]", 150),
            ("[data-work-on]", 300), ("[data-reason]", 300), ("[data-offer]", 20), ("[data-stages] li", 250)];

    /// <summary>What one page says of a child, as far as it says it.</summary>
    private sealed record Said(string Where, string? Finding, string? Also, string? Evidence);

    [Fact]
    public async Task Three_hundred_children_are_told_of_in_one_way_on_every_page()
    {
        Assert.Equal(300, Kinds.Sum(kind => kind.Count));
        var children = await Make();
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var caseload = (await teacher.Page("/children")).QuerySelectorAll("[data-child]")
            .ToDictionary(row => row.GetAttribute("data-child")!);
        var faults = new List<string>();
        var (offers, practised, lookAlikes, read) = (0, 0, 0, new Dictionary<string, int>());
        foreach (var (alias, kind, id, record) in children)
        {
            // The record takes longest and is told of in the same words: one in five is read.
            var told = await Task.WhenAll(
                new[] { "", "/progress", alias[^1] is '0' or '5' ? "/record" : null }.OfType<string>()
                    .Select(page => teacher.Page($"/children/{id}{page}")));
            var pages = new Pages(told[0], told[1], told.ElementAtOrDefault(2), caseload[alias], await EndOf(teacher, record));
            faults.AddRange(Contradictions(pages, record).Select(fault => $"{alias} ({kind}): {fault}"));
            offers += pages.Child.QuerySelectorAll("[data-offer]").Length > 0 ? 1 : 0;
            practised += PractisedSets(record).Count > 0 ? 1 : 0;
            foreach (var page in new[] { pages.Child, pages.Progress, pages.End }.OfType<IHtmlDocument>())
                foreach (var (what, _) in Least) read[what] = read.GetValueOrDefault(what) + (page.QuerySelector(what) is null ? 0 : 1);
            lookAlikes += Text(pages.Child.QuerySelector("[data-work-on]"))?.Contains("now look more like",
                StringComparison.Ordinal) == true ? 1 : 0;
        }
        Assert.True(faults.Count == 0, $"{faults.Count} contradictions, the first of them:\n{string.Join('\n', faults.Take(25))}");
        // The day counts the same children.
        var day = await teacher.Page("/day");
        Assert.Equal(offers, int.Parse(day.QuerySelector("[data-matter=decisions] b")!.TextContent, CultureInfo.InvariantCulture));
        Assert.Equal(Kinds.Single(kind => kind.Kind == "never asked").Count,
            int.Parse(day.QuerySelector("[data-matter=unassessed] b")!.TextContent, CultureInfo.InvariantCulture));
        // None of this says anything where the pages do not say it.
        foreach (var (what, least) in Least)
            Assert.True(read.GetValueOrDefault(what) >= least, $"{what} was read {read.GetValueOrDefault(what)} times of {least}");
        Assert.True(offers >= 20, $"{offers} offers");
        Assert.True(practised >= 60, $"{practised} practised");
        Assert.True(lookAlikes >= 5, $"{lookAlikes} look-alikes changed places");
        await TheClassAgrees(teacher);
    }

    /// <summary>
    /// Makes the children: most of their answers are read in from a file, in the middle of which some are asked, practised with and decided
    /// on.
    /// </summary>
    private async Task<IReadOnlyList<(string Alias, string Kind, ChildId Id, ChildRecord Record)>> Make()
    {
        var aliases = Kinds.SelectMany(kind =>
            Enumerable.Range(0, kind.Count)
                .Select(i => (Alias: $"{kind.Kind[..3].ToUpperInvariant().Trim()}{kind.Kind.Length} {i:00}", kind.Kind, Place: i)))
                .ToList();
        var ids = aliases.ToDictionary(aliase => aliase.Alias, _ => new ChildId(Guid.NewGuid()));
        await site.App.InSchool(site.A, async connection =>
        {
            await Children.AddAll(connection, [.. aliases.Select(aliase => new Child(ids[aliase.Alias], aliase.Alias, Stage.EveryMinute))],
                DateTime.UtcNow.AddDays(-60), onCaseload: true);
            var text = new StringBuilder(Head);
            foreach (var each in aliases) text.Append(string.Concat(Answers(each.Alias, each.Kind, each.Place)));
            var (lines, errors) = AnswersFile.Read(new MemoryStream(Encoding.UTF8.GetBytes(text.ToString())));
            Assert.Empty(errors);
            Assert.Empty((await AnswersImport.Run(connection, lines, null, onCaseload: true, dryRun: false, DateTime.UtcNow)).Errors);
        });
        foreach (var known in aliases)
            await site.App.InSchool(site.A, connection => Work(connection, ids[known.Alias], known.Kind, known.Place));
        await Screened([.. aliases.Where(aliase => aliase.Kind == "screened").Select(aliase => aliase.Alias)]);
        // A list that may not wait for all tells so until they are up to date; then it tells what every page tells.
        foreach (var each in aliases) await Renewing.Renew(site.App, site.Model, site.A, ids[each.Alias], DateTime.UtcNow, default);
        var made = new List<(string, string, ChildId, ChildRecord)>();
        foreach (var every in aliases) made.Add((every.Alias, every.Kind, ids[every.Alias], await site.Record(site.A, ids[every.Alias])));
        return made;
    }

    /// <summary>A child's lines of the file.</summary>
    private IEnumerable<string> Answers(string alias, string kind, int place)
    {
        var random = new Random((kind.Length * 1000) + place);
        var pattern = Drawn(random);
        SimulatedChild Child(params Pattern[] patterns) => new(site.Model, patterns, 0.9, random);
        IEnumerable<string> Asked(int daysAgo, Func<Item, string> answer, int count = 12) =>
            Items(random, count).Select(item => Line(daysAgo, "asking", item, answer(item)));
        IEnumerable<string> Colds(Pattern of, string outcomes, int from) => outcomes.Split(' ').SelectMany((cold, i) =>
            ColdStart.Make(HeldPattern.Plain(site.Model, of), Stage.EveryMinute, task => task == ClockTasks.ReadDigital, place + i)
                .Select((item, at) => Line(from - (7 * i), $"cold:{of.Id}", item,
                at < cold.Length && cold[at] == 'i' ? HeldPattern.Plain(site.Model, of).AnswerTo(item).Short(Wording.Usual)
                    : Right(item))));
        string Line(int daysAgo, string what, Item item, string answer) =>
            $"{alias},{Today.AddDays(-daysAgo):yyyy-MM-dd},{item.Task.Id},{item.Time},\"{answer.Replace("\"", "", StringComparison.Ordinal)}\",,{what},\n";
        return kind switch
        {
            "one pattern" or "in the middle" or "screened" or "ruled out and taken back" =>
                Asked(40, item => Child(pattern).Answer(item, item.Task.Aloud))
                    .Concat(Asked(20, item => Child(pattern).Answer(item, item.Task.Aloud))),
            "two patterns" => Asked(30, item => Child(pattern, Drawn(random, pattern)).Answer(item, item.Task.Aloud), 16),
            "from away" => Away(VariedChild.With([pattern.Id], Variants.First, random)),
            "odd" => Away(VariedChild.Odd(random)),
            "guesses" => Asked(10, _ => $"{random.Next(1, 13)}:{random.Next(60):00}"),
            "right" => Asked(30, Right).Concat(Asked(10, Right)),
            "never practised, cold starts right" => Asked(40, Right).Concat(Colds(NextHour, "rrrr rrrr rrrr", 30)),
            "practised" => Asked(45, item => Child(NextHour).Answer(item, item.Task.Aloud))
                .Concat(Colds(NextHour, "iiii riii rrii rrri", 30)),
            "practised, does not learn" =>
                Asked(45, item => Child(NextHour).Answer(item, item.Task.Aloud)).Concat(Colds(NextHour, "iiii riii iiii iiii", 30)),
            "over it" => Asked(50, item => Child(NextHour).Answer(item, item.Task.Aloud))
                .Concat(Colds(NextHour, "iiii rrrr rrrr rrrr", 40)),
            "look-alikes changed places" =>
                Asked(50, item => Child(NextHour).Answer(item, item.Task.Aloud)).Concat(Colds(NextHour, "iiii riii rrrr", 40))
                .Concat(Asked(12, item => Child(NearestHour).Answer(item, item.Task.Aloud), 16))
                .Concat(Asked(5, item => Child(NearestHour).Answer(item, item.Task.Aloud), 16)),
            _ => [],
        };

        IEnumerable<string> Away(VariedChild child) => Asked(30, child.Answer, 16).Concat(Asked(9, child.Answer));
    }

    /// <summary>What is done with a child beside their answers.</summary>
    private async Task Work(SchoolConnection connection, ChildId id, string kind, int place)
    {
        if (kind.StartsWith("practised", StringComparison.Ordinal) || kind is "over it" or "look-alikes changed places")
            await Practise(connection, id, NextHour, kind == "over it" ? 39 : 29);
        if (kind == "over it" && place % 2 == 0)
            await new Deciding(site.Model, At(20)).Decide(connection, Guid.NewGuid(), id, NextHour, DecisionKind.FinishPattern, taken: true,
                (await ChildRecord.Load(connection, site.Model, id))!.Source, Guid.NewGuid());
        if (kind == "ruled out and taken back")
        {
            var (deciding, decision) = (new Deciding(site.Model, At(2)), Guid.NewGuid());
            var record = (await ChildRecord.Load(connection, site.Model, id))!;
            await deciding.Say(connection, decision, id, record.First is [var first, ..] ? first.Finding.Pattern : NextHour, place % 3 == 0,
                "seen at the board", record.Source, Guid.NewGuid());
            if (place % 2 == 0) await deciding.TakeBack(connection, id, decision, Guid.NewGuid());
        }
        if (kind == "in the middle")
        {
            var asking = new Asking(site.Model, TimeProvider.System);
            var sitting = (await asking.Start(connection, id))!.Value;
            for (var answer = 0; answer < 3; answer++)
            {
                var now = (await Sittings.Find(connection, sitting))!;
                await asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), now.CurrentPlace, ".", AnswerMode.Said, 9),
                    Guid.NewGuid());
            }
        }
    }

    private async Task Practise(SchoolConnection connection, ChildId id, Pattern pattern, int daysAgo)
    {
        var practising = new Practising(site.Model, At(daysAgo));
        var (_, sitting) = await practising.Assign(connection, (await ChildRecord.Load(connection, site.Model, id))!, pattern,
            new SetChoices(), Guid.NewGuid());
        foreach (var asked in (await Sittings.AskedIn(connection, [sitting]))[sitting].ToList())
        {
            await practising.Answer(connection, sitting,
                new Submission(Guid.NewGuid(), asked.Place, Right(asked.Item), asked.Item.Task.OnScreen, 8));
            await practising.GoOn(connection, sitting, asked.Place);
        }
    }

    /// <summary>A class that is screened, of children who are on the caseload.</summary>
    private async Task Screened(string[] aliases)
    {
        var id = await site.Class(site.A, Stage.EveryMinute, aliases);
        var random = new Random(7);
        await site.App.InSchool(site.A, async connection =>
        {
            var screened = (await site.Screen.Load(connection, id))!;
            foreach (var child in screened.Children)
            {
                var has = new SimulatedChild(site.Model, [Drawn(random)], 0.95, random);
                foreach (var question in child.Sitting.Questions)
                    await site.Screen.Enter(connection, child.Sitting.Sitting.Id,
                        new Submission(Guid.NewGuid(), question.Asked.Place, has.Answer(question.Asked.Item, AnswerMode.Written),
                            AnswerMode.Written, null), Guid.NewGuid());
            }
        });
    }

    private static Pattern Drawn(Random random, Pattern? beside = null)
    {
        var others = Catalogue.All.Where(pattern =>
            Steps.OfReading.Contains(pattern.Step) && pattern.Step is not (Step.Placing or Step.Writing) && pattern.Step != beside?.Step)
                .ToList();
        return others[random.Next(others.Count)];
    }

    private static IEnumerable<Item> Items(Random random, int count) =>
        ItemBank.ForSitting(Stage.EveryMinute, [ClockTasks.ReadDigital, ClockTasks.ReadWords]).OrderBy(_ => random.Next()).Take(count);

    private static string Right(Item item) => item.Right.Short(Wording.Usual);

    /// <summary>The late morning of a day so many days ago.</summary>
    private static Behind At(int daysAgo) => new(DateTime.UtcNow - DateTime.UtcNow.Date.AddDays(-daysAgo).AddHours(11));

    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;

    private static readonly Pattern NearestHour = Catalogue.Find("nearest-hour")!;

    /// <summary>The pages of one child.</summary>
    private sealed record Pages(IHtmlDocument Child, IHtmlDocument Progress, IHtmlDocument? Record, IElement Row, IHtmlDocument? End);

    private static IEnumerable<string> Contradictions(Pages pages, ChildRecord record)
    {
        var here = Read("the child's page", pages.Child);
        var inALine = here.Also is null ? here.Finding : $"{here.Finding} {here.Also}";
        if (Text(pages.Row.QuerySelector("[data-finding]")) is { } listed && listed != inALine)
            yield return $"the caseload says “{listed}”, the child's page “{inALine}”";
        foreach (var other in new[] { pages.Record is null ? here : Read("the record", pages.Record),
            pages.End is null ? here : Read("the end of the sitting", pages.End) })
            if (other with { Where = here.Where } != here) yield return $"{other.Where} says “{other}”, the child's page “{here}”";
        foreach (var fault in InFigures(pages, here.Evidence ?? "", record).Concat(InWords(pages, record))) yield return fault;
    }

    /// <summary>What is counted: each answer once, and the same on every page.</summary>
    private static IEnumerable<string> InFigures(Pages pages, string evidence, ChildRecord record)
    {
        var rows = pages.Child.QuerySelectorAll("section[aria-labelledby=say] tbody tr")
            .Select(row => (Clock: Text(row.Children[0])!, Answer: Text(row.Children[1])!, Came: Text(row.Children[3])!)).ToList();
        var counted = rows.Where(row => !row.Came.Contains("with help", StringComparison.Ordinal)).ToList();
        if (Telling().Match(evidence) is { Success: true } told && rows.Count > 0)
        {
            var (all, its, right) = (Figure(told, 1), Figure(told, 2), Figure(told, 3));
            if ((all, its, right) != (counted.Count, counted.Count(row => row.Came == "its way"),
                counted.Count(row => row.Came == "right"))) yield return $"“{evidence}” stands over a table of {counted.Count}";
            var wrong = record.Sittings.SelectMany(sitting => sitting.Answered).Count(question => !question.IsRight);
            if (its > wrong) yield return $"{its} went one way of {wrong} that came out wrong";
        }
        if (Text(pages.Child.QuerySelector("[data-unexplained]")) is { } unexplained)
        {
            foreach (var row in rows.Where(row => row.Came.StartsWith("its way", StringComparison.Ordinal)))
                if (unexplained.Contains($"{row.Answer} for {row.Clock}", StringComparison.Ordinal))
                    yield return $"{row.Answer} for {row.Clock} is explained and unexplained";
        }
        foreach (var stage in pages.Progress.QuerySelectorAll("[data-stages] li").Select(item => Text(item)!))
            if (stage.Contains("not secure yet", StringComparison.Ordinal) && !stage.Contains("need", StringComparison.Ordinal))
                yield return $"“{stage}” does not say what is missing";
    }

    /// <summary>What is practised, what worked, what is next.</summary>
    private static IEnumerable<string> InWords(Pages pages, ChildRecord record)
    {
        var (working, course) =
            (Text(pages.Child.QuerySelector("section[aria-labelledby=working]")) ?? "", Text(pages.Child.QuerySelector("[data-course]")));
        var progress = Text(pages.Progress.QuerySelector("h1"))!;
        if (course is not null && !course.StartsWith(progress, StringComparison.Ordinal))
            yield return $"progress says “{progress}”, the child's page “{course}”";
        if (Text(pages.Child.QuerySelector("[data-work-on]")) is { } workedOn
            && Text(pages.Progress.QuerySelector("[data-work-on]")) is var there && there != workedOn)
            yield return $"progress is of “{there}”, the child's page of “{workedOn}”";
        var practised = PractisedSets(record);
        if (practised.Count == 0)
        {
            foreach (var text in new[] { working, progress, Text(pages.Progress.QuerySelector("main")) ?? "" })
                if (NotPractised().Replace(text, "") is var rest
                    && (rest.Contains("practised", StringComparison.OrdinalIgnoreCase)
                    || rest.Contains("worked", StringComparison.OrdinalIgnoreCase))) yield return $"nothing was practised, and “{text}”";
            if (pages.Child.QuerySelector("[data-offer=change-approach]") is not null)
                yield return "nothing was practised, and its approach is to be changed";
        }
        else if (working.Contains("Not practised yet", StringComparison.Ordinal) && practised.Contains(record.SummaryOn(Today).WorkedOn!))
            yield return "it was practised, and is called not practised";
        var heading = Text(pages.Child.QuerySelector("section[aria-labelledby=next] p"));
        var next = record.SummaryOn(Today).Next;
        if (heading != next.Heading) yield return $"next is “{heading}” on the child's page, “{next.Heading}” in the core";
        if (next.Step is NextStep.Recheck && Text(pages.Child.QuerySelector("[data-work-on]")) is { } work
            && !work.Contains(next.Pattern!.TextsIn(Wording.Usual).Reads, StringComparison.Ordinal)
            && record.SummaryOn(Today).WorkedOn == next.Pattern)
            yield return $"a recheck is of {next.Pattern.TextsIn(Wording.Usual).Reads}, beside it “{work}”";
        var press = pages.Row.QuerySelector("a.link.font-bold:not([href^='/children']), button.link")?.FirstChild?.TextContent;
        if (press != new Umbick.Web.Pages.NextAction(next, record.Child, Main: false).Words)
            yield return $"the caseload's press says “{press}”";
    }


    /// <summary>The patterns whose sets were answered.</summary>
    private static HashSet<Pattern> PractisedSets(ChildRecord record) =>
        [.. record.Sets.Where(set => set.Pattern is not null && record.Sittings.Any(sitting => sitting.Sitting.PracticeSet == set.Id))
            .Select(set => set.Pattern!)];

    private static async Task<IHtmlDocument?> EndOf(Visitor teacher, ChildRecord record) =>
        record.Sittings.LastOrDefault(sitting =>
            sitting.Sitting is { IsPractice: false, EndedAt: not null, Screening: null, Plan: not Plan.Prerequisites }) is { } last
                ? await teacher.Page($"/ask/{last.Sitting.Id}") : null;

    private async Task TheClassAgrees(Visitor teacher)
    {
        var classes = await site.App.InSchool(site.A, connection => Screenings.Latest(connection, 5));
        var page = await teacher.Page($"/classes/{Assert.Single(classes).Id}");
        var rows = page.QuerySelectorAll("[data-child]");
        Assert.Equal(10, rows.Length);
        foreach (var row in rows)
        {
            var link = row.QuerySelector("a[href^='/children/']")!.GetAttribute("href")!;
            var child = Read("the child's page", await teacher.Page(link));
            Assert.Equal(child.Also is null ? child.Finding : $"{child.Finding} {child.Also}", Text(row.QuerySelector("[data-finding]")));
            var reason = Text(row.QuerySelector("p:not(.text-20)"))!;
            if (OneWay().Match(reason) is { Success: true } counted)
                Assert.True(Figure(counted, 3) <= Figure(counted, 2) - Figure(counted, 1), reason);
        }
    }

    private static Said Read(string where, IHtmlDocument page) =>
        new(where, Text(page.QuerySelector("main [data-finding]")), Text(page.QuerySelector("main [data-also]")),
            Text(page.QuerySelector("main [data-evidence]")));

    private static string? Text(IElement? element) => element is null ? null
        : Spaces().Replace(element.TextContent, " ").Trim() is { Length: > 0 } text ? text : null;

    private static int Figure(Match match, int group) => int.Parse(match.Groups[group].Value, CultureInfo.InvariantCulture);

    [GeneratedRegex(@"^Of (\d+) telling answers? (\d+) came out that way, (\d+) right\.")]
    private static partial Regex Telling();

    [GeneratedRegex(@"(\d+) of (\d+) right; (\d+) of the wrong ones go one way")]
    private static partial Regex OneWay();

    [GeneratedRegex(@"[Nn]ot practised( yet)?|without practice|Once a pattern has been practised", RegexOptions.None)]
    private static partial Regex NotPractised();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
