using System.Net;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Reports;
using Umbick.Demo;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// Reports of the demonstration's children, at each turn of the work: every claim is traced, and nothing sounds like a diagnosis.
/// </summary>
public sealed class ReportPagesTests(Site site) : IClassFixture<Site>
{
    /// <summary>Words that a family could take for a diagnosis, a rank or a comparison.</summary>
    private static readonly string[] Never =
    [
        "dyscalcul", "dyslex", "dysprax", "autis", "adhd", "disorder", "disab", "deficit", "impair", "syndrome", "condition",
            "special need",
        "delay", "behind other", "below average", "normal", "abnormal", "low ability", "weak", "slow learner", "percent", "%", "rank",
            "average",
        "worse than", "better than", "other children", "fail",
    ];

    private async Task<IReadOnlyList<(ChildRecord Record, ReportKind Kind, ReportDraft Draft)>> Offered()
    {
        var reports = new ChildReports(site.Model, TimeProvider.System);
        var today = DateOnly.FromDateTime(DateTime.UtcNow);
        return await site.App.InSchool(DemoSchool.Id, async connection =>
        {
            var all = new List<(ChildRecord, ReportKind, ReportDraft)>();
            foreach (var child in await Children.All(connection))
            {
                var record = (await ChildRecord.Load(connection, site.Model, child.Id))!;
                foreach (var kind in ReportKind.All) all.Add((record, kind, (await reports.Offer(connection, child.Id, kind, today))!));
            }
            return all;
        });
    }

    [Fact]
    public async Task Every_claim_leads_to_its_answers_and_says_what_the_summary_says()
    {
        var offered = await Offered();
        Assert.True(offered.Count > 60, $"{offered.Count} reports");
        var aliases = offered.Select(each => each.Record.Child.Alias).Distinct().ToList();
        foreach (var (record, kind, draft) in offered)
        {
            var summary = record.SummaryOn(DateOnly.FromDateTime(DateTime.UtcNow));
            var about = $"{record.Child.Alias}, {kind.Id}";
            foreach (var line in draft.Lines)
            {
                Assert.True(draft.FromInWords(line).Length > 0 || line.Id is "takes-now" or "mixes-up" or "sure-of" or "reads-now",
                    $"{about}: {line.Id} rests on nothing");
                Assert.All(draft.From[line.Id], from => Assert.Contains(record.Sittings, sitting => sitting.Sitting.Id == from.Sitting));
                Assert.DoesNotContain(aliases.Where(alias => alias != record.Child.Alias),
                    alias => line.Text.Contains(alias, StringComparison.Ordinal));
                Assert.InRange(line.Text.Length, 1, ReportLine.Longest);
                if (line.Clock is not { } clock) continue;
                // The clock that is shown was asked, went that way, and was answered so.
                Assert.Contains(line.Answers, place => record.QuestionAt(place) is { IsRight: false } question
                    && question.Asked.Item.Time.ToString() == clock && line.Text.Contains(
                        $"the answer was {record.Replay.Answers[place].Given.Answer.Short(record.Child.Preferences.Wording)}.",
                        StringComparison.Ordinal));
            }
            // What is sure has come right, at the stages that are named and no other.
            foreach (var line in draft.Lines.Where(line => line.Id is "sure-of" or "reads-now"))
            {
                Assert.All(line.Answers.Select(record.QuestionAt), question =>
                {
                    Assert.True(question.IsRight);
                    Assert.Contains(Stages.FirstWith(question.Asked.Item.Time.Minute).Name(record.Child.Preferences.Wording), line.Text,
                        StringComparison.OrdinalIgnoreCase);
                });
                Assert.Equal(line.Text.Contains(':', StringComparison.Ordinal), line.Answers.Count > 0);
            }
            if (draft.Lines.FirstOrDefault(line => line.Id == "takes-now") is { } now)
                Assert.StartsWith(summary.InALine, now.Text, StringComparison.Ordinal);
            if (draft.Lines.FirstOrDefault(line => line.Id == "cold-starts") is { } colds && summary.Works is { } works)
                Assert.StartsWith(works.Sentence, colds.Text, StringComparison.Ordinal);
        }
        // The demonstration has children at every turn, so that each of these was read somewhere.
        foreach (var id in new[] { "takes-now", "mixes-up", "sure-of", "cold-starts" })
            Assert.Contains(offered, each => each.Draft.Lines.Any(line => line.Id == id && (line.Answers.Count > 0
                || line.Colds.Count > 0)));
    }

    [Fact]
    public async Task A_family_reads_no_word_that_could_be_taken_for_a_diagnosis_and_a_class_no_nearest()
    {
        foreach (var (record, kind, draft) in await Offered())
        {
            var lines = kind == ReportKind.Lead ? draft.Lines.Where(line => line.Id != "limits") : draft.Lines;
            Assert.All(lines, line => Assert.DoesNotContain(Never, word =>
                line.Text.Contains(word, StringComparison.OrdinalIgnoreCase) || line.Heading.Contains(word,
                    StringComparison.OrdinalIgnoreCase)));
            Assert.DoesNotContain("nearest", draft.Lines.FirstOrDefault(line => line.Id == "say-in-class")?.Text ?? "",
                StringComparison.OrdinalIgnoreCase);
        }
        // And of every pattern there is, whoever has it.
        foreach (var texts in Catalogue.All.Select(pattern => pattern.TextsIn(Core.Clocks.Wording.Usual)))
        {
            Assert.DoesNotContain(Never, word => texts.Family.Contains(word, StringComparison.OrdinalIgnoreCase));
            Assert.DoesNotContain("nearest", texts.HourFirst + texts.MinuteFirst, StringComparison.OrdinalIgnoreCase);
        }
    }

    [Fact]
    public async Task A_report_is_edited_kept_once_and_told_as_it_was_offered_and_sent()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (action, fields) = await teacher.Form($"/children/{child.Id}/report/lead", "Keep it");
        Assert.Equal("Nothing has been decided yet.", fields["line-decisions"]);
        fields["line-decisions"] = "We met on Monday.";
        fields["line-sessions"] = " ";
        var first = await teacher.Post(action, fields);
        var kept = first.Headers.Location!.OriginalString;
        Assert.Equal(kept, (await teacher.Post(action, fields)).Headers.Location!.OriginalString);
        var page = await teacher.Page(kept);
        Assert.Contains("We met on Monday.", page.QuerySelector("article")!.TextContent, StringComparison.Ordinal);
        Assert.Null(page.QuerySelector("article [data-line=sessions]"));
        var offered = page.QuerySelector("[data-offered]")!.TextContent;
        Assert.Contains("Nothing has been decided yet.", offered, StringComparison.Ordinal);
        Assert.Contains("Sessions", offered, StringComparison.Ordinal);
        Assert.Equal("application/pdf", (await teacher.Get($"{kept}?handler=pdf")).Content.Headers.ContentType!.MediaType);
        Assert.Single(await site.App.InSchool(site.A, connection => Store.Reports.OfChild(connection, child.Id)));
        Assert.Contains("A report was kept", (await teacher.Page($"/children/{child.Id}/record")).Body!.TextContent,
            StringComparison.Ordinal);

        // Another school's teacher and an assistant open neither; with the child it goes.
        using var stranger = await Visitor.TeacherOf(site, site.TeacherOfB);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.Get(kept)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.Get($"{kept}?handler=pdf")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.Get($"/children/{child.Id}/report/family")).StatusCode);
        using var assistant = await Visitor.AssistantOf(site, site.A);
        Assert.Equal(HttpStatusCode.Forbidden, (await assistant.Get(kept)).StatusCode);
        Assert.True(await site.App.InSchool(site.A, connection => Children.Erase(connection, child.Id, child.Alias)));
        Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get(kept)).StatusCode);
    }

    [Theory]
    [InlineData("none", "", "A report has one line at least.")]
    [InlineData("long", "x", "1,200 at most.")]
    public async Task What_cannot_be_kept_says_why_and_loses_nothing_that_was_written(string kind, string text, string why)
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (action, fields) = await teacher.Form($"/children/{child.Id}/report/class-teacher", "Keep it");
        foreach (var name in fields.Keys.Where(name => name.StartsWith("line-", StringComparison.Ordinal)).ToList())
            fields[name] = kind == "long" ? string.Concat(Enumerable.Repeat(text, ReportLine.Longest + 1)) : text;
        var answer = await teacher.Post(action, fields);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var page = await Visitor.Read(answer);
        Assert.Contains(why, page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(fields["line-sure-of"], page.QuerySelector("#line-sure-of")!.TextContent);
        Assert.Empty(await site.App.InSchool(site.A, connection => Store.Reports.OfChild(connection, child.Id)));
    }

    [Fact]
    public async Task The_service_s_term_is_told_and_written_and_of_no_other_term_than_there_is()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.NotNull((await teacher.Page("/service")).QuerySelector("[data-seen]"));
        var file = await (await teacher.Get("/service?handler=csv")).Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.StartsWith("what,children,finished,visits", file, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get("/service?term=Winter%202026")).StatusCode);
    }
}
