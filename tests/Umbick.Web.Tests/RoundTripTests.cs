using System.Globalization;
using AngleSharp.Html.Dom;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>
/// How many round trips to the database an answer and a page take, with the person's session and everything: the site tells it. A child who
/// is asked has sittings behind them, so that nothing is cheap for want of a history.
/// </summary>
public sealed class RoundTripTests(Site site) : IClassFixture<Site>
{
    private const string Header = "X-Round-Trips";

    [Fact]
    public async Task A_childs_answer_with_its_next_question()
    {
        var child = await Known(site.A);
        var sitting = await site.OnScreen(site.A, child);
        using var tablet = new Visitor(site);
        await Visitor.AssertSentTo("/turn", await tablet.Send("/go", "Begin", new() { ["code"] = await site.Code(site.A, sitting) }));
        AssertTakes(9, await Answers(async () =>
        {
            var form = Fields(await tablet.Page("/turn"), "form[data-answer-form]");
            form["raw"] = Right((await site.Current(site.A, sitting)).Item);
            return await tablet.Swap("/turn?handler=answer", form);
        }));
    }

    [Fact]
    public async Task An_answer_in_conversation_with_its_page()
    {
        var sitting = await site.Sitting(site.A, await Known(site.A));
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        AssertTakes(12, await Answers(async () =>
        {
            var form = Fields(await teacher.Page($"/ask/{sitting}"), "form[data-answer-form]");
            form["raw"] = Right((await site.Current(site.A, sitting)).Item);
            return await teacher.Swap($"/ask/{sitting}?handler=answer", form);
        }));
    }

    [Fact]
    public async Task An_answer_in_a_visit_with_four_children()
    {
        var (visit, children) = await site.Visit(site.A, 4);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var taken = new List<int>();
        // The room's clock, and two faces asked cold of each: with the last answer to a face the next one comes, and how all of them read
        // is looked at.
        for (var face = 0; face < 3; face++)
        {
            var page = await teacher.Page($"/visits/{visit}");
            var token = page.QuerySelector("[name=__RequestVerificationToken]")!.GetAttribute("value")!;
            foreach (var child in children)
            {
                // As the script of the page sends one box.
                taken.Add(Taken(await teacher.Swap($"/visits/{visit}?handler=answer", new Dictionary<string, string>
                {
                    ["__RequestVerificationToken"] = token,
                    ["child"] = $"{child}",
                    ["part"] = page.QuerySelector("[data-answers] [name=part]")!.GetAttribute("value")!,
                    ["place"] = page.QuerySelector("[data-answers] [name=place]")!.GetAttribute("value")!,
                    ["answer"] = $"{Guid.NewGuid()}",
                    ["raw"] = "4:10",
                    ["confirmed"] = "4:10",
                })));
            }
        }
        AssertTakes(15, taken);
    }

    [Fact]
    public async Task The_day()
    {
        for (var child = 0; child < 4; child++) await Known(site.B);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfB);
        await teacher.Page("/day");
        AssertTakes(13, [Taken(await teacher.Get("/day"))]);
    }

    private static void AssertTakes(int most, IReadOnlyList<int> taken) =>
        Assert.True(taken.Max() <= most, $"{string.Join(", ", taken)}: more than {most}");

    /// <summary>What each of three answers took, the first of which may find nothing remembered.</summary>
    private static async Task<IReadOnlyList<int>> Answers(Func<Task<HttpResponseMessage>> answer)
    {
        var taken = new List<int>();
        for (var i = 0; i < 4; i++) taken.Add(Taken(await answer()));
        return taken[1..];
    }

    private static int Taken(HttpResponseMessage answer)
    {
        Assert.True(answer.IsSuccessStatusCode, $"{answer.StatusCode}");
        return int.Parse(answer.Headers.GetValues(Header).Single(), CultureInfo.InvariantCulture);
    }

    private static Dictionary<string, string> Fields(IHtmlDocument page, string selector) =>
        Visitor.FieldsOf((IHtmlFormElement)page.QuerySelector(selector)!).GroupBy(field => field.Key).ToDictionary(field => field.Key,
            field => field.First().Value);

    private static string Right(Item item) => item.Right.Short(Wording.Usual);

    /// <summary>A child with two sittings behind them.</summary>
    private async Task<ChildId> Known(SchoolId school)
    {
        var child = (await site.Child(school)).Id;
        foreach (var daysAgo in new[] { 20, 10 })
        {
            var asking = new Asking(site.Model, new Behind(TimeSpan.FromDays(daysAgo)));
            await site.App.InSchool(school, async connection =>
            {
                var id = (await asking.Start(connection, child))!.Value;
                while (await Sittings.Find(connection, id) is { EndedAt: null } sitting)
                {
                    var item = (await Sittings.AskedIn(connection, [id]))[id].Single(asked => asked.Place == sitting.CurrentPlace).Item;
                    await asking.Answer(connection, id,
                        new Submission(Guid.NewGuid(), sitting.CurrentPlace, Right(item), item.Task.Aloud, null), Guid.NewGuid());
                }
            });
        }
        return child;
    }
}
