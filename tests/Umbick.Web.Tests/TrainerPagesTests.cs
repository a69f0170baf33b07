using System.Net;
using AngleSharp.Dom;
using Umbick.Casework.Accounts;
using Umbick.Store;
using Umbick.Training;

namespace Umbick.Web.Tests;

/// <summary>An adult trains: without a school nothing is kept; with one, what is kept is theirs alone.</summary>
public sealed class TrainerPagesTests(Site site) : IClassFixture<Site>
{
    private const string Asked = "read-digital 7:50;read-words 4:40;set-from-digital 2:25;read-digital 9:30;read-digital 3:00;"
        + "read-words 12:25";

    private static readonly Lazy<int> Seed = new(() =>
        new MadeUpChildren(new Core.Diagnosis.ReadingModel()).SeedAt(TrainingLevel.OnePattern, 3));

    private static string Talk(string page) => $"/trainer/{page}?level=one-pattern&child={Seed.Value}&asked={Uri.EscapeDataString(Asked)}";

    [Fact]
    public async Task Without_a_school_a_child_is_found_out_and_nothing_is_kept()
    {
        using var anybody = new Visitor(site);
        Assert.NotNull((await anybody.Page("/")).QuerySelector("a[href='/trainer']"));
        Assert.NotNull((await anybody.Page("/trainer")).QuerySelector("[data-level='look-alikes'] a"));
        var begun = await anybody.Get("/trainer/child?level=one-pattern");
        Assert.Equal(HttpStatusCode.Redirect, begun.StatusCode);
        var first = await anybody.Page(begun.Headers.Location!.ToString());
        Assert.Null(first.QuerySelector("[data-verdict]"));

        var asked = await anybody.Get($"/trainer/child?level=one-pattern&child={Seed.Value}&time=750&task=read-digital");
        Assert.Equal(HttpStatusCode.Redirect, asked.StatusCode);
        Assert.Contains("read-digital%207%3A50", asked.Headers.Location!.ToString(), StringComparison.Ordinal);
        var wrong = await anybody.Page($"/trainer/child?level=one-pattern&child={Seed.Value}&time=ten%20past&task=read-digital");
        Assert.Contains("No clock can show “ten past”", wrong.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);

        Assert.NotNull((await anybody.Page(Talk("child"))).QuerySelector("[data-verdict]"));
        var told = await Visitor.Read(await Follow(anybody, await anybody.Send($"{Talk("words")}&kind=nothing", "See how it went",
            new() { ["words"] = "give-away", ["shown"] = "none" })));
        Assert.NotNull(told.QuerySelector("[data-truth]"));
        Assert.Equal(6, told.QuerySelectorAll("[data-clock]").Length);
        Assert.Equal(6, told.QuerySelector("[data-engine]")!.Children.Length);
        Assert.Contains("give the answer away", told.QuerySelector("[data-words]")!.TextContent, StringComparison.Ordinal);
        foreach (var school in new[] { site.A, site.B })
            Assert.Equal(0, await site.App.InSchool(school, at => at.ExecuteScalarAsync<int>(
                "select count(*) from training where level = 'one-pattern' and verdict like '%give-away%'")));
    }

    [Fact]
    public async Task A_verdict_without_its_pattern_is_asked_for_once_more()
    {
        using var anybody = new Visitor(site);
        var page = await Visitor.Read(await Follow(anybody, await anybody.Get($"{Talk("words")}&kind=pattern")));
        Assert.Contains("Choose which pattern it is", page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(6, page.QuerySelectorAll("[data-so-far] > li").Length);
        foreach (var address in new[]
        {
            "/trainer/child?level=none", "/trainer/child?level=one-pattern&child=999999", $"{Talk("child")};judge 4:00",
            "/trainer/visit?visit=0", "/trainer/visit?visit=3&moves=x", "/trainer/visit?visit=3&moves=w&copies=1", "/trainer/marking?set=0",
            "/trainer/marking?set=3&marks=x", $"{Talk("told")}&verdict=nothing&words=none&shown=none",
        }) Assert.Equal(HttpStatusCode.NotFound, (await anybody.Get(address)).StatusCode);
    }

    [Fact]
    public async Task What_is_kept_is_one_s_own_sent_twice_it_is_one_and_it_can_be_deleted()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        using var colleague = await Visitor.TeacherOf(site, (await site.Colleague(site.A, PersonRole.Teacher)).UserName);
        var (action, fields) = await teacher.Form($"{Talk("words")}&kind=slips", "See how it went");
        fields["words"] = "fit";
        fields["shown"] = "none";
        for (var time = 0; time < 2; time++) Assert.Equal(HttpStatusCode.Redirect, (await teacher.Post(action, fields)).StatusCode);
        // The page loaded anew has an id of its own, and is the same conversation.
        await teacher.Send($"{Talk("words")}&kind=slips", "See how it went", new() { ["words"] = "fit", ["shown"] = "none" });
        var course = await teacher.Page("/trainer");
        var row = Assert.Single(course.QuerySelectorAll("[data-trained='child']"));
        Assert.NotNull((await teacher.Page(row.QuerySelector("a")!.GetAttribute("href")!)).QuerySelector("[data-truth]"));
        Assert.Empty((await colleague.Page("/trainer")).QuerySelectorAll("[data-trained]"));

        // A colleague who sends the id of another's deletes nothing.
        var id = row.QuerySelector("[name=id]")!.GetAttribute("value")!;
        var (_, own) = await colleague.Form("/you", "Sign out");
        own["id"] = id;
        await colleague.Post("/trainer?handler=delete", own);
        Assert.Single((await teacher.Page("/trainer")).QuerySelectorAll("[data-trained='child']"));
        await teacher.Send("/trainer", "Delete my whole course");
        Assert.Empty((await teacher.Page("/trainer")).QuerySelectorAll("[data-trained]"));
    }

    [Fact]
    public async Task Whoever_leaves_takes_their_course_along()
    {
        var leaves = await site.Colleague(site.A, PersonRole.Teacher);
        using var adult = await Visitor.TeacherOf(site, leaves.UserName);
        await adult.Send("/trainer/visit?visit=3&moves=nnnnn", "See how it went", new() { ["copies"] = "0" });
        Task<int> Kept() => site.App.InSchool(site.A, at => at.ExecuteScalarAsync<int>(
            "select count(*) from training where person = @Id", new { leaves.Id }));
        Assert.Equal(1, await Kept());
        await site.App.InSchool(site.A, async at => await Staff.Leave(at, leaves, leaves.Id, DateTime.UtcNow));
        Assert.Equal(0, await Kept());
    }

    [Fact]
    public async Task A_visit_tells_who_copied_who_was_helped_too_soon_and_who_was_not_waited_for()
    {
        using var anybody = new Visitor(site);
        Assert.Equal(3, (await anybody.Page("/trainer/visit?visit=3")).QuerySelectorAll("[data-thinks]").Length);
        var copier = new TrainingVisit(3, []).Children.Index().First(child => child.Item.Manner == Manner.Copier).Index;
        var over = await Visitor.Read(await Follow(anybody,
            await anybody.Send("/trainer/visit?visit=3&moves=a4b4c4nwnwwwwwwnwwwwwwnwwwwwwn",
            "See how it went", new() { ["copies"] = $"{copier}" })));
        Assert.Equal("True", over.QuerySelector("[data-copier]")!.GetAttribute("data-copier"));
        // The first is told before anybody has thought; while that takes its time, one of the others answers or copies.
        Assert.NotEmpty(over.QuerySelectorAll("[data-too-soon]"));
        Assert.NotEmpty(over.QuerySelectorAll("[data-not-waited]"));
        var other = await anybody.Page($"/trainer/visit?visit=3&moves=nnnnn&copies={(copier + 1) % 3}");
        Assert.Equal("False", other.QuerySelector("[data-copier]")!.GetAttribute("data-copier"));
    }

    [Fact]
    public async Task Two_who_have_marked_the_same_are_compared_where_both_share_and_nobody_else_is()
    {
        const int set = 202_649;
        var all = MarkingSet.Make(set, new TrainingPatterns(site.Model));
        var right = MarkingSet.Write(all.Select(answer => answer.Model));
        var (one, other) = (await site.Colleague(site.B, PersonRole.Teacher), await site.Colleague(site.B, PersonRole.Teacher));
        using var first = await Visitor.TeacherOf(site, one.UserName);
        using var second = await Visitor.TeacherOf(site, other.UserName);
        using var elsewhere = await Visitor.TeacherOf(site, site.TeacherOfA);
        string Marks(string marks) => $"/trainer/marking?set={set}&marks={marks}";
        foreach (var (who, marks) in new[] { (first, right), (second, $"{(right[0] == 'r' ? 'n' : 'r')}{right[1..]}"), (elsewhere, right) })
        {
            await who.Send(Marks(marks), "Keep it in my course");
            if (who != second) await who.Send(Marks(marks), "Share mine");
        }
        var mine = await first.Page(Marks(right));
        Assert.Equal("30", mine.QuerySelector("[data-agreed]")!.GetAttribute("data-agreed"));
        Assert.StartsWith("Beyond chance: kappa 1.00", mine.QuerySelector("[data-kappa]")!.TextContent.Trim(), StringComparison.Ordinal);
        // Only one of them shares as yet.
        Assert.Empty(mine.QuerySelectorAll("[data-colleague]"));
        var theirs = $"{(right[0] == 'r' ? 'n' : 'r')}{right[1..]}";
        Assert.Empty((await second.Page(Marks(theirs))).QuerySelectorAll("[data-colleague]"));

        await second.Send(Marks(theirs), "Share mine");
        Assert.Contains(other.DisplayName, Colleague(await first.Page(Marks(right))), StringComparison.Ordinal);
        Assert.Contains(one.DisplayName, Colleague(await second.Page(Marks(theirs))), StringComparison.Ordinal);
        // What is shared no longer is seen no longer, by either.
        await first.Send(Marks(right), "Share them no longer");
        Assert.Empty((await second.Page(Marks(theirs))).QuerySelectorAll("[data-colleague]"));
    }

    private static string Colleague(IDocument page) => Assert.Single(page.QuerySelectorAll("[data-colleague]")).TextContent;

    private static async Task<HttpResponseMessage> Follow(Visitor visitor, HttpResponseMessage answer) =>
        answer.Headers.Location is { } there ? await visitor.Get(there.ToString()) : answer;
}
