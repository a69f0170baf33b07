using System.Net;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Clocks;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>An assistant runs what a teacher has prepared, and sees nothing of what was found.</summary>
public sealed class AssistantTests(Site site) : IClassFixture<Site>
{
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;

    [Fact]
    public async Task What_is_prepared_is_run_to_its_end()
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var (set, _) = await site.Set(site.A, (await site.Child(site.A)).Id, NextHour.Id);
        var (visit, children) = await site.Visit(site.A, 2);
        using var assistant = await Visitor.AssistantOf(site, site.A);
        var home = await assistant.Page("/helping");
        foreach (var path in new[] { $"/ask/{sitting}", $"/practise/{set}", $"/visits/{visit}" })
            Assert.NotNull(home.QuerySelector($"a[href='{path}']"));

        // A sitting: each answer is kept, and at the end nothing is told of them.
        var page = await assistant.Page($"/ask/{sitting}");
        for (var place = 1; place <= 12; place++)
        {
            var fields = page.QuerySelectorAll("[data-answer-form] input").Where(input => input.GetAttribute("type") != "checkbox")
                .ToDictionary(input => input.GetAttribute("name")!, input => input.GetAttribute("value") ?? "");
            fields["__RequestVerificationToken"] = page.QuerySelector("[name=__RequestVerificationToken]")!.GetAttribute("value")!;
            fields["raw"] = "8:11";
            await assistant.Post($"/ask/{sitting}?handler=answer", fields);
            page = await assistant.Page($"/ask/{sitting}");
        }
        Assert.Contains("That is all. Thank you.", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(12, (await site.Record(site.A, child.Id)).Sittings.Single().Answered.Count());

        // A visit goes on from where it stands; a set is handed over.
        var (_, room) = await assistant.Form($"/visits/{visit}", "Stop here");
        await Visitor.AssertSentTo($"/visits/{visit}", await assistant.Post($"/visits/{visit}?handler=stop", room));
        Assert.Contains("can go back to class", (await assistant.Page($"/visits/{visit}")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(2, children.Count);
        await Visitor.AssertSentTo("/turn", await assistant.Send($"/practise/{set}", "Hand over"));
    }

    [Fact]
    public async Task No_page_that_an_assistant_opens_tells_a_finding_or_leads_to_a_record()
    {
        var child = await Shows(NextHour);
        var (set, _) = await site.Set(site.A, child.Id, NextHour.Id);
        var again = await site.Sitting(site.A, (await Shows(NextHour)).Id);
        var (visit, _) = await site.Visit(site.A, 2);
        var over = (await site.Visit(site.A, 1)).Visit;
        await site.App.InSchool(site.A, connection => site.Visiting.Stop(connection, over));
        var named = await site.Class(site.A, Stage.OClock, "Skua");
        using var assistant = await Visitor.AssistantOf(site, site.A);
        string[] telling = [NextHour.TextsIn(Wording.Usual).Name, NextHour.TextsIn(Wording.Usual).Reads,
            NextHour.TextsIn(Wording.Usual).Practise, NextHour.TextsIn(Wording.Usual).FindingOf(child.Alias), "telling answers", "Likely",
            "Perhaps"];
        var first = (await site.Record(site.A, child.Id)).Sittings[0].Sitting.Id;
        foreach (var path in new[] { "/helping", $"/ask/{again}", $"/ask/{first}", $"/practise/{set}", $"/visits/{visit}",
            $"/visits/{over}", $"/classes/{named}/grid", $"/classes/{named}/sheet", "/clock", "/you" })
        {
            var page = await assistant.Page(path);
            foreach (var words in telling)
                Assert.False(page.Body!.TextContent.Contains(words, StringComparison.Ordinal), $"{path} tells “{words}”");
            Assert.All(page.QuerySelectorAll("a[href]"),
                link => Assert.False(link.GetAttribute("href") is { } to
                    && (to.StartsWith("/children", StringComparison.Ordinal) || to is "/settings" or "/day" or "/people"),
                    $"{path} leads to {link.GetAttribute("href")}"));
        }
        foreach (var path in new[] { "/day", "/children", $"/children/{child.Id}", $"/children/{child.Id}/progress",
            $"/children/{child.Id}/record", $"/children/{child.Id}/record?handler=file", "/files", "/files?handler=answers", "/settings",
            "/people", "/who-did-what", "/well", "/years-end", "/ask", "/practise" })
            Assert.Equal(HttpStatusCode.Forbidden, (await assistant.Get(path)).StatusCode);
    }

    /// <summary>A child whose answers show a pattern for sure.</summary>
    private async Task<Child> Shows(Pattern pattern)
    {
        var child = await site.Child(site.A);
        var sitting = await site.Sitting(site.A, child.Id);
        var (simulated, asking) = (site.Simulated(pattern.Id), new Asking(site.Model, TimeProvider.System));
        await site.App.InSchool(site.A, async connection =>
        {
            while (await Sittings.Find(connection, sitting) is { EndedAt: null } now)
            {
                var item = (await Sittings.AskedIn(connection, [sitting]))[sitting].Single(asked => asked.Place == now.CurrentPlace).Item;
                await asking.Answer(connection, sitting,
                    new Submission(Guid.NewGuid(), now.CurrentPlace, simulated.Answer(item, AnswerMode.Said), AnswerMode.Said, null), null);
            }
        });
        return child;
    }
}
