using Umbick.Casework;
using Umbick.Core.Progress;
using Umbick.Store;

namespace Umbick.Web.Tests;

/// <summary>What is easily overlooked where a child does not come on: who asked after it, and when, is kept by one press.</summary>
public sealed class AskedAfterTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Who_asked_and_when_is_noted_by_one_press_and_taken_back_by_another()
    {
        var child = await site.Child(site.A);
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        Assert.Null((await teacher.Page($"/children/{child.Id}")).QuerySelector("[data-asked-after]"));
        await site.App.InSchool(site.A, connection =>
            BesideAnswers.Ask(connection, child.Id, AskAfter.Find("hearing")!, holds: true, Guid.NewGuid(), DateTime.UtcNow));
        var page = await teacher.Page($"/children/{child.Id}");
        Assert.Equal(AskAfter.All.Select(about => about.Words),
            page.QuerySelectorAll("[data-ask-after]").Select(press => press.TextContent.Trim()));
        Assert.Equal("true", page.QuerySelector("[data-ask-after=hearing]")!.GetAttribute("aria-pressed"));
        await teacher.Send($"/children/{child.Id}", "eyesight");
        await teacher.Send($"/children/{child.Id}", "hearing");
        var asked = Assert.Single(await site.App.InSchool(site.A, connection => AskedAfter.OfChild(connection, child.Id)));
        Assert.Equal("eyesight", asked.About);
        Assert.NotEqual("", asked.By);
        var told = (await teacher.Page($"/children/{child.Id}")).QuerySelector("[data-asked=eyesight]")!.TextContent;
        Assert.Contains(asked.By, told, StringComparison.Ordinal);
        Assert.Empty(await site.App.InSchool(site.B, connection => AskedAfter.OfChild(connection, child.Id)));
    }
}
