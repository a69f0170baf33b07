using Umbick.Store;
using Umbick.Casework;

namespace Umbick.Web.Tests;

/// <summary>What is chosen for one child stands wherever a page speaks of them, and nowhere else.</summary>
public sealed class OwnChoiceTests(Site site) : IClassFixture<Site>, IAsyncDisposable
{
    private const string Pattern = "to-as-past";

    private static readonly Dictionary<string, string> ChosenForOne =
        new() { ["past"] = "after", ["mark"] = "stop", ["hand-colours"] = "plum-teal" };

    private readonly List<Child> _children = [];

    [Theory]
    [InlineData("their row of the caseload", "hands-plum-teal", @"\d\.\d\d, ")]
    [InlineData("their page", "hands-plum-teal", @"\d\.\d\d")]
    [InlineData("what they are taught", "Half after", "quarter after|Quarter after")]
    [InlineData("what to ask them", "Half after", "name=\"plan\"")]
    [InlineData("being asked", "hands-plum-teal", "data-stage")]
    [InlineData("the set to give", "‘after’ going down", "hands-plum-teal")]
    [InlineData("the set they were given", "‘after’ going down", "hands-plum-teal")]
    [InlineData("the set on their sheet", "after / to", "data-paper")]
    [InlineData("the set among those that wait", "‘after’ going down", "data-waiting-set")]
    public async Task Her_own_choice_stands_where_a_page_speaks_of_her(string page, string seen, string alsoSeen)
    {
        var usual = await Part(page, []);
        Assert.DoesNotMatch("hands-plum-teal|[Hh]alf after|‘after’", usual);
        var answered = await Part(page, ChosenForOne);
        Assert.Matches(seen, answered);
        Assert.Matches(alsoSeen, answered);
        // What a ready answer's key would type is no text of the page, and is read in either wording.
        Assert.DoesNotMatch(@"hands-ink|(?<!data-answer-is=""[^""]*)(([Hh]alf|[Qq]uarter|times,) past|‘past’|\d:\d\d)", answered);
    }

    /// <summary>The caseload is shared by the tests: nobody on it keeps choices of their own.</summary>
    public async ValueTask DisposeAsync()
    {
        foreach (var child in _children) await Teach(child, []);
    }

    private Task Teach(Child child, Dictionary<string, string> own) =>
        site.App.InSchool(site.A, connection => Children.Teach(connection, child.Id, child.Stage, null, own));

    /// <summary>What a page says of a child with these choices, who has answered two questions.</summary>
    private async Task<string> Part(string page, Dictionary<string, string> own)
    {
        var child = await site.Child(site.A);
        _children.Add(child);
        await Teach(child, own);
        await Ask(child.Id);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        return page switch
        {
            "their row of the caseload" => (await teacher.Page("/children")).QuerySelector($"[data-child='{child.Alias}']")!.OuterHtml,
            "their page" => await Main($"/children/{child.Id}"),
            "what they are taught" => await Main($"/children/{child.Id}/teaching", "label[for=stage] + select"),
            "what to ask them" => await Main($"/ask/begin/{child.Id}"),
            "being asked" => await Main($"/ask/{await site.Sitting(site.A, child.Id)}"),
            "the set to give" => await Main($"/practise/new/{child.Id}?pattern={Pattern}"),
            "the set they were given" => await Main($"/practise/{(await site.Set(site.A, child.Id, Pattern)).Set}"),
            "the set on their sheet" => await Main($"/sheets/{(await site.Set(site.A, child.Id, Pattern)).Sitting}"),
            "the set among those that wait" =>
                await Main("/practise", $"[data-waiting-set='{(await site.Set(site.A, child.Id, Pattern)).Set}']"),
            _ => throw new ArgumentOutOfRangeException(nameof(page), page, null),
        };

        async Task<string> Main(string path, string css = "#main") => (await teacher.Page(path)).QuerySelector(css)!.OuterHtml;
    }

    private async Task Ask(ChildId child)
    {
        var sitting = await site.Sitting(site.A, child);
        var simulated = site.Simulated(Pattern);
        for (var answered = 0; answered < 2; answered++)
        {
            var asked = await site.Current(site.A, sitting);
            var given = new Submission(Guid.NewGuid(), asked.Place, simulated.Answer(asked.Item, asked.Item.Task.Aloud),
                asked.Item.Task.Aloud, 4);
            await site.App.InSchool(site.A,
                connection => new Asking(site.Model, TimeProvider.System).Answer(connection, sitting, given, null));
        }
        await site.App.InSchool(site.A, connection => new Asking(site.Model, TimeProvider.System).Stop(connection, sitting));
    }
}
