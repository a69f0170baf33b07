using OpenQA.Selenium;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>What a child wrote and nobody could read is asked about, counts neither way until then, and is settled by a press.</summary>
public sealed class WhatWasMeantPageTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task An_answer_that_cannot_be_read_gets_its_meaning_from_the_grown_up_and_both_stay()
    {
        var (child, sitting) = await Answered(ClockTasks.ReadDigital, "grbl");
        var place = (await site.Record(site.A, child)).Sittings[0].Answered.Single().Asked.Place;
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/children/{child}");
        browser.AwaitText("1 answer cannot be read, and counts neither way");
        Assert.False(browser.Has("[data-unexplained]"));
        browser.Find($"[data-unread] a[href='/children/{child}/sittings/{sitting}#at-{place}']").Click();
        browser.Await($"[data-means='{place}']");
        browser.Focus("[data-means] [name=raw]");
        browser.Type("what?" + Keys.Enter);
        browser.Await("[role=alert][data-told]");
        browser.Focus("[data-means] [name=raw]");
        browser.Type("7:05" + Keys.Enter);
        browser.AwaitGone("[data-means]");
        var given = (await site.Record(site.A, child)).Sittings[0].Answered.Single().Given!;
        Assert.Equal("7:05", given.Raw);
        browser.Open($"/children/{child}");
        browser.AwaitGone("[data-unread]");
    }

    [Theory]
    [InlineData("7:30", HalfMeaning.Before)]
    [InlineData("8:30", HalfMeaning.After)]
    public async Task Half_eight_is_asked_about_and_what_it_means_is_kept_for_the_child(string pressed, HalfMeaning meaning)
    {
        var (child, _) = await Answered(ClockTasks.ReadWords, "half 8");
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/children/{child}");
        browser.Await("[data-halves]");
        browser.Click(pressed);
        browser.AwaitGone("[data-halves]");
        var record = await site.Record(site.A, child);
        Assert.Equal(meaning, record.Child.Preferences.HalfHour);
        Assert.Equal(new ClockTime(meaning == HalfMeaning.Before ? 7 : 8, 30), record.Sittings[0].Answered.Single().Answer!.Meaning);
    }

    /// <summary>Two skills: who reads a clock rightly and sets it an hour on is told so, and practises setting.</summary>
    [Fact]
    public async Task What_goes_wrong_in_setting_alone_is_said_so_on_the_child_s_page()
    {
        var child = (await site.Child(site.A)).Id;
        var sitting = await site.OnScreen(site.A, child);
        var simulated = site.Simulated("next-hour");
        var asking = new Asking(site.Model, TimeProvider.System);
        for (var answered = 0; answered < 12; answered++)
        {
            var asked = await site.Current(site.A, sitting);
            var raw = asked.Item.Task.Form == AnswerForm.Hands ? simulated.Answer(asked.Item, AnswerMode.Placed)
                : asked.Item.Right.Short(Wording.Usual);
            await site.App.InSchool(site.A, connection => asking.Answer(connection, sitting,
                new Submission(new AnswerId(Guid.NewGuid()), asked.Place, raw, asked.Item.Task.Taken, null), null));
        }
        using var browser = Browser.SignedIn(site.Address, site.TeacherOfA);
        browser.Open($"/children/{child}");
        browser.AwaitText("Clocks are read rightly; it shows in setting one.");
        browser.AwaitText("go wrong by it when they are set.");
        Assert.Contains("takes the hour that is coming", browser.Find("[data-finding]").Text, StringComparison.Ordinal);
    }

    /// <summary>A child whose one answer was kept as it was written.</summary>
    private async Task<(ChildId Child, SittingId Sitting)> Answered(ClockTask task, string raw)
    {
        var child = (await site.Child(site.A)).Id;
        var sitting = await site.OnScreen(site.A, child, task.Id);
        var asked = await site.Current(site.A, sitting);
        var asking = new Asking(site.Model, TimeProvider.System);
        await site.App.InSchool(site.A, async connection =>
        {
            await asking.Answer(connection, sitting, new Submission(new AnswerId(Guid.NewGuid()), asked.Place, raw, asked.Item.Task.Taken,
                null), null);
            return await asking.Stop(connection, sitting);
        });
        return (child, sitting);
    }
}
