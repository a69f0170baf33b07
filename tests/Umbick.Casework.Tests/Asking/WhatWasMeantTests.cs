using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Casework.Tests;

/// <summary>
/// What cannot be read is neither right nor wrong until somebody says what was meant; and what is not taught yet marks nobody down.
/// </summary>
public sealed class WhatWasMeantTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private readonly Asking _asking = new(Model, TimeProvider.System);

    [Fact]
    public async Task What_cannot_be_read_counts_neither_way_until_it_is_said_what_was_meant()
    {
        var child = await schools.Child(schools.A, Stage.EveryMinute);
        var sitting = await Begin(child, ["read-digital", "read-words"]);
        var items = await Asked(sitting);
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 1, "the big one"));
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 2, items[1].Item.Right.Short(Wording.Usual)));
        var record = await Load(child);
        Assert.Equal((2, 1), (record.Sittings[0].Answered.Count(), record.Sittings[0].Scored.Count()));
        Assert.Equal([0], record.Now.Unexplained);
        Assert.StartsWith("1 of 1 answer came right (1 cannot be read)", record.EvidenceOf(record.SummaryOn(Today)).InWords,
            StringComparison.Ordinal);

        // A teacher says what it was, on the sitting's page: it follows, and both stay.
        var standing = record.Sittings[0].Questions[0].Given!;
        var means = new Submission(Guid.NewGuid(), 1, items[0].Item.Right.Short(Wording.Usual), AnswerMode.Said, null)
        { Corrects = standing.Id };
        var kept = await schools.InA(connection => _asking.KeepTyped(connection, sitting, means, null, "", Guid.NewGuid()));
        Assert.Equal((AnswerOutcome.Kept, null), (kept.Outcome, kept.Message));
        record = await Load(child);
        Assert.Equal((2, 2), (record.Sittings[0].Scored.Count(), record.Sittings[0].Answered.Count(question => question.IsRight)));
        Assert.Empty(record.Now.Unexplained);
    }

    /// <summary>It is kept as how the child says times, and holds for what was answered before.</summary>
    [Fact]
    public async Task What_half_eight_means_is_settled_for_one_child_and_counts_from_the_first_on()
    {
        var child = await schools.Child(schools.A, Stage.HalfPast);
        var sitting = await Begin(child, ["read-words"]);
        var item = (await Asked(sitting))[0].Item;
        var said = $"half {Hours.After(item.Time.Hour)}";
        var asked = TypedAnswer.From(item with { Time = new ClockTime(item.Time.Hour, 30) }, said, TeachingPreferences.Usual);
        Assert.True(asked is { CanBeConfirmed: true, Message: not null });
        Assert.Equal(AnswerOutcome.Kept, await Send(sitting, 1, said));
        Assert.Empty((await Load(child)).Sittings[0].Scored);

        Assert.True(await schools.InA(connection => _asking.SettleHalf(connection, child, "before", Guid.NewGuid())));
        var record = await Load(child);
        Assert.Equal(new ClockTime(item.Time.Hour, 30), record.Sittings[0].Questions[0].Answer!.Meaning);
        Assert.Equal(said, record.Sittings[0].Questions[0].Given!.Raw);
        Assert.Equal(HalfMeaning.Before, record.Child.Preferences.HalfHour);
        Assert.Null(TypedAnswer.From(item, said, record.Child.Preferences).Message);
        Assert.Equal("5 to half 8?", AnswerParser.Parse("5 to half 8").Short(Wording.Usual));
        Assert.Equal(new ClockTime(7, 25), (AnswerParser.Parse("five before half eight") as AmbiguousHalf)!.Before);
    }

    [Fact]
    public async Task What_is_not_taught_yet_is_asked_of_who_has_all_right_and_marks_nobody_down()
    {
        var child = await schools.Child(schools.A, Stage.HalfPast);
        var sitting = (await schools.InA(connection => _asking.Start(connection, child,
            new AskingOptions { Id = DrawnSitting.Id(1) })))!.Value;
        while (await schools.InA(connection => Sittings.Find(connection, sitting)) is { EndedAt: null } now)
        {
            var item = (await Asked(sitting)).Single(each => each.Place == now.CurrentPlace).Item;
            var beyond = !Stage.HalfPast.Has(item.Time.Minute);
            var right = item.Right is PlacedAnswer placed ? placed.Raw : item.Right.Short(Wording.Usual);
            await Send(sitting, now.CurrentPlace, beyond ? $"{Hours.After(item.Time.Hour)}:{item.Time.Minute:00}" : right, item.Task.Aloud);
        }
        var record = await Load(child);
        var asked = record.Sittings[0].Answered.Where(question => question.IsBeyond).ToList();
        Assert.Equal(2, asked.Count);
        Assert.All(asked, question => Assert.StartsWith("Not taught yet", question.Asked.Why, StringComparison.Ordinal));
        Assert.Empty(record.Now.Likely);
        var progress = await schools.InA(connection => ProgressRecord.Load(connection, Model, child, Today));
        Assert.All(progress!.Answers, answer => Assert.True(Stage.HalfPast.Has(answer.Item.Time.Minute)));
    }

    [Fact]
    public async Task A_sitting_is_made_longer_once_for_one_press()
    {
        var child = await schools.Child(schools.A, Stage.EveryMinute);
        var sitting = (await schools.InA(connection => _asking.Start(connection, child,
            new AskingOptions { Id = DrawnSitting.Id(1) })))!.Value;
        for (var press = 0; press < 2; press++)
            Assert.True(await schools.InA(connection => Asking.Longer(connection, sitting, SittingItems.UsualLength)));
        Assert.Equal(SittingItems.UsualLength + Asking.More, (await schools.InA(connection => Sittings.Find(connection, sitting)))!.Length);
    }

    private static DateOnly Today => DateOnly.FromDateTime(DateTime.UtcNow);

    private async Task<SittingId> Begin(ChildId child, IReadOnlyList<string> tasks) =>
        (await schools.InA(connection => _asking.Start(connection, child, new AskingOptions(Plan.Chosen) { Tasks = tasks })))!.Value;

    private Task<AnswerOutcome> Send(SittingId sitting, int place, string raw, AnswerMode mode = AnswerMode.Said) =>
        schools.InA(connection =>
            _asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, mode, null), Guid.NewGuid()));

    private async Task<List<AskedItem>> Asked(SittingId id) =>
        [.. (await schools.InA(connection => Sittings.AskedIn(connection, [id])))[id]];

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;
}
