using Umbick.Core.Items;

namespace Umbick.Web.Tests;

/// <summary>A browser that the rows of a class share: each opens a sitting of its own in it.</summary>
public sealed class SharedTablet(RunningSite site) : IDisposable
{
    public Browser Browser { get; } = new(site.Address, 1024, 768);

    public void Dispose() => Browser.Dispose();
}

/// <summary>Each task, answered by a child on a screen of their own: with a finger, then with keys.</summary>
public sealed class EveryTaskTests(Site site, SharedTablet tablet) : IClassFixture<Site>, IClassFixture<SharedTablet>
{
    public static TheoryData<string> Tasks => [.. ClockTasks.All.Select(task => task.Id)];

    [Theory]
    [MemberData(nameof(Tasks))]
    public async Task A_child_answers_by_touch_and_by_keys_and_it_is_kept_as_given(string task)
    {
        var child = await site.Child(site.A, Stage.EveryMinute);
        var sitting = await site.OnScreen(site.A, child.Id, task, task);
        ChildAtScreen.Enter(tablet.Browser, await site.Code(site.A, sitting));
        var given = new List<string>();
        for (var done = 0; done < 2; done++)
        {
            tablet.Browser.Await($"#turn[data-done='{done}'] [data-question='{task}']");
            given.Add(ChildAtScreen.Answer(tablet.Browser, (await site.Current(site.A, sitting)).Item, byTouch: done == 0));
        }
        ChildAtScreen.AwaitFinished(tablet.Browser);
        var questions = (await site.Record(site.A, child.Id)).Sittings.Single().Questions;
        Assert.Equal(given, questions.Select(question => question.Given!.Raw));
        Assert.All(questions, question => Assert.Equal(question.Asked.Item.Task.OnScreen, question.Given!.AnswerMode));
        Assert.All(questions, question => Assert.IsNotType<Core.Clocks.Unread>(question.Answer));
        Assert.All(questions, question => Assert.True(question.Given!.BegunSeconds <= question.Given.Seconds));
        // Seconds that were felt are neither right nor wrong: how far off they are is computed.
        if (task == ClockTasks.Feel.Id)
            Assert.All(questions, question => Assert.NotNull(question.Asked.Item.OtherSkill!.SecondsOff(question.Given!.Raw)));
        else Assert.All(questions, question => Assert.True(question.IsRight, $"{question.Asked.Item.Given}: {question.Given!.Raw}"));
    }

    [Theory]
    [InlineData("7 8 ", "12", "between 7 and 8, 12")]
    [InlineData("1 12 ", "5", "between 12 and 1, 5")]
    [InlineData("11 ", "11", "on 11, 11")]
    public async Task Numbers_are_taken_as_they_are_typed_however_quickly(string beside, string at, string kept)
    {
        var child = await site.Child(site.A, Stage.EveryMinute);
        var sitting = await site.OnScreen(site.A, child.Id, ClockTasks.Describe.Id);
        ChildAtScreen.Enter(tablet.Browser, await site.Code(site.A, sitting));
        tablet.Browser.Await("[data-question=describe]");
        tablet.Browser.Focus("[name=beside][value='3']");
        tablet.Browser.Type(beside);
        tablet.Browser.Focus("[name=longAt][value='3']");
        tablet.Browser.Type(at);
        tablet.Browser.Tap("[data-done-button]");
        ChildAtScreen.AwaitFinished(tablet.Browser);
        Assert.Equal(kept, (await site.Record(site.A, child.Id)).Sittings[0].Answered.Single().Given!.Raw);
    }
}
