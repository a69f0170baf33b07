using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;

namespace Umbick.Casework.Tests;

/// <summary>
/// A visit against a real database: all its parts, whatever is sent twice, late or in the wrong order, and stopped anywhere.
/// </summary>
public sealed class VisitTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private const int ColdItems = 5;
    /// <summary>How many clocks two or three practise together.</summary>
    private const int Practised = 4;

    private static readonly ReadingModel Model = new();
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;
    private static readonly PersonId Teacher = Guid.NewGuid();
    private readonly TimeProvider _clock = TimeProvider.System;

    private Asking Asking => new(Model, _clock);

    private Visiting Visiting => new(Model, Asking, new Practising(Model, _clock), _clock);

    [Fact]
    public async Task Three_children_go_through_all_of_it_on_the_same_faces_each_with_a_record_of_their_own()
    {
        var (visit, children) = await Begun(3);
        foreach (var child in children) await Say(visit, child, VisitPart.Room, 1, "9:00");
        for (var place = 1; place <= ColdItems; place++)
        {
            Assert.Equal((VisitPart.Cold, place), await Reached(visit));
            await Say(visit, children[0], VisitPart.Cold, place, ".");
            await Say(visit, children[1], VisitPart.Cold, place, ".");
            Assert.Equal((VisitPart.Cold, place), await Reached(visit));
            await Say(visit, children[2], VisitPart.Cold, place, place == ColdItems ? "." : "8:11");
        }
        Assert.Equal((VisitPart.Show, 1), await Reached(visit));
        await GoOn(visit, "has-it-arrived");
        for (var place = 1; place <= Practised; place++)
        {
            foreach (var child in children)
                await Say(visit, child, VisitPart.Practise, place, child == children[2] && place < Practised ? "8:11" : ".");
            Assert.Equal((VisitPart.Practise, place), await Reached(visit));
            if (place < Practised) await schools.InA(connection =>
                Visiting.NoteRung(connection, visit, children[2], place, Rung.TwoChoices, Teacher));
            await GoOn(visit);
        }
        Assert.Equal((VisitPart.Close, Practised + 1), await Reached(visit));
        foreach (var child in children) await Say(visit, child, VisitPart.Close, Practised + 1, ".");
        await GoOn(visit);

        var at = await At(visit);
        Assert.NotNull(at.Visit.EndedAt);
        Assert.All(at.Children,
            child => Assert.Equal(at.Items(VisitPart.Cold).Select(asked => asked.Item),
                child.Cold!.Questions.Select(question => question.Asked.Item)));
        Assert.All(at.Children,
            child => Assert.Equal(at.Items(VisitPart.Practise).Select(asked => asked.Item),
                child.Practice!.Questions.Select(question => question.Asked.Item)));
        Assert.Empty(at.Items(VisitPart.Cold).Select(asked => asked.Item.Time)
            .Intersect(at.Items(VisitPart.Practise).SkipLast(1).Where(asked => asked.Item.Task == ClockTasks.ReadDigital)
            .Select(asked => asked.Item.Time)));
        var results = new List<(int Right, int Telling)>();
        foreach (var child in children)
        {
            var record = await Record(child);
            var cold = Assert.Single(record.Work.CourseOf(NextHour).Colds);
            results.Add((cold.Right, cold.Telling.Count));
            Assert.Equal(NextHour, Assert.Single(record.Sets).Pattern);
            Assert.Equal("has-it-arrived",
                Assert.Single(await schools.InA(connection => Demonstrated.To(connection, child))).Demonstration);
            Assert.Equal("9:00", Assert.Single(await schools.InA(connection => Visits.RoomClockOf(connection, child))).Raw);
        }
        Assert.Equal([(4, 4), (4, 4), (0, 4)], results);
        Assert.Null((await Help(children[0]))!.Next);
        Assert.Equal(Rung.HandNamed, (await Help(children[2]))!.Next);
    }

    [Theory]
    [InlineData(VisitPart.Room, 1)]
    [InlineData(VisitPart.Cold, 1)]
    [InlineData(VisitPart.Cold, 3)]
    [InlineData(VisitPart.Show, 1)]
    [InlineData(VisitPart.Practise, 2)]
    [InlineData(VisitPart.Close, Practised + 1)]
    public async Task Stopped_anywhere_it_keeps_what_was_answered_and_leaves_nothing_open(VisitPart part, int place)
    {
        var (visit, children) = await Begun(2);
        var said = 0;
        while (await Reached(visit) is var (at, now) && (at != part || now != place))
        {
            if (at == VisitPart.Show) await GoOn(visit, "has-it-arrived");
            else
            {
                foreach (var child in children) await Say(visit, child, at, now, ".");
                if (at != VisitPart.Room) said++;
                if (at is VisitPart.Practise or VisitPart.Close) await GoOn(visit);
            }
        }
        await Stop(visit);
        await Stop(visit);
        foreach (var child in children)
        {
            var record = await Record(child);
            Assert.Equal(said, record.Sittings.Sum(sitting => sitting.Answered.Count()));
            Assert.Null(record.Child.OpenAsking);
            Assert.Null(record.Child.OpenSet);
            Assert.All(record.Sittings, sitting => Assert.NotNull(sitting.Sitting.EndedAt));
        }
        Assert.Empty(await schools.InA(connection => Visiting.Busy(connection, children)));
    }

    [Fact]
    public async Task An_answer_whose_reply_was_lost_is_sent_again_and_is_one_answer()
    {
        var (visit, children) = await Begun(2);
        var id = Guid.NewGuid();
        Assert.Equal(AnswerOutcome.Kept, await Say(visit, children[0], VisitPart.Room, 1, "9:00", id));
        Assert.Equal(AnswerOutcome.Kept, await Say(visit, children[0], VisitPart.Room, 1, "9:00", id));
        Assert.Equal(AnswerOutcome.OtherAnswerKept, await Say(visit, children[0], VisitPart.Room, 1, "10:00", id));
        await Say(visit, children[1], VisitPart.Room, 1, "-");
        var (first, last) = (Guid.NewGuid(), Guid.NewGuid());
        Assert.Equal(AnswerOutcome.Kept, await Say(visit, children[0], VisitPart.Cold, 1, "4:00", first));
        Assert.Equal(AnswerOutcome.KeptBefore, await Say(visit, children[0], VisitPart.Cold, 1, "4:00", first));
        Assert.Equal(AnswerOutcome.AnsweredBefore, await Say(visit, children[0], VisitPart.Cold, 1, "5:00"));
        Assert.Equal(AnswerOutcome.Kept, await Say(visit, children[1], VisitPart.Cold, 1, "4:00", last));
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
        Assert.Equal(AnswerOutcome.KeptBefore, await Say(visit, children[1], VisitPart.Cold, 1, "4:00", last));
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
        Assert.All((await At(visit)).Children, child => Assert.Single(child.Cold!.Answered));
    }

    [Fact]
    public async Task A_page_that_has_grown_stale_moves_nothing_and_begins_nothing_twice()
    {
        var (visit, children) = await Begun(1);
        await GoOn(visit);
        await schools.InA(connection => Visiting.GoOn(connection, visit, VisitPart.Room, 1, null, Teacher));
        Assert.Equal((VisitPart.Cold, 1), await Reached(visit));
        await schools.App.InSchool(schools.A, connection => Visiting.Begin(connection, visit, NextHour, children, null, Teacher));
        Assert.Single(await schools.InA(connection => Visits.OfChild(connection, children[0])));
        while (await Reached(visit) is (VisitPart.Cold, var place)) await Say(visit, children[0], VisitPart.Cold, place, ".");
        await GoOn(visit);
        await schools.InA(connection => Visiting.Back(connection, visit, VisitPart.Practise, 1));
        await GoOn(visit);
        Assert.Equal((VisitPart.Practise, 1), await Reached(visit));
        Assert.Single((await Record(children[0])).Sets);
        Assert.False(await schools.InA(connection => Visiting.GoOn(connection, Guid.NewGuid(), VisitPart.Cold, 1, null, Teacher)));
    }

    [Fact]
    public async Task An_answer_is_put_right_by_going_back_and_the_cold_start_says_so()
    {
        var (visit, children) = await Begun(1);
        await GoOn(visit);
        while (await Reached(visit) is (VisitPart.Cold, var place))
            await Say(visit, children[0], VisitPart.Cold, place, place <= 4 ? "8:11" : ".");
        await schools.InA(connection => Visiting.Back(connection, visit, VisitPart.Show, 1));
        for (var place = ColdItems; place > 1; place--)
            await schools.InA(connection => Visiting.Back(connection, visit, VisitPart.Cold, place));
        var wrong = (await At(visit)).Children[0].At(VisitPart.Cold, 1)!.Given!;
        var right = new Submission(Guid.NewGuid(), 1, ".", AnswerMode.Said, null) { Corrects = wrong.Id };
        Assert.Equal(AnswerOutcome.Kept,
            await schools.InA(connection => Visiting.Answer(connection, visit, children[0], VisitPart.Cold, right, Teacher)));
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
        Assert.Equal((1, 4), Result(await Record(children[0])));
    }

    [Fact]
    public async Task A_child_who_has_gone_is_not_waited_for_and_comes_back()
    {
        var (visit, children) = await Begun(2);
        await Say(visit, children[0], VisitPart.Room, 1, "9:00");
        await schools.InA(connection => Visiting.Leave(connection, visit, children[1], isHere: false, Teacher));
        Assert.Equal((VisitPart.Cold, 1), await Reached(visit));
        await Say(visit, children[0], VisitPart.Cold, 1, ".");
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
        await schools.InA(connection => Visiting.Leave(connection, visit, children[1], isHere: true, Teacher));
        await Say(visit, children[0], VisitPart.Cold, 2, ".");
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
        await Say(visit, children[1], VisitPart.Cold, 2, ".");
        Assert.Equal((VisitPart.Cold, 3), await Reached(visit));
    }

    [Fact]
    public async Task What_is_noted_as_copied_stays_and_counts_as_help_and_the_note_can_be_taken_back()
    {
        var (visit, children) = await Begun(2);
        foreach (var child in children) await Say(visit, child, VisitPart.Room, 1, "9:00");
        await Say(visit, children[0], VisitPart.Cold, 1, "8:11");
        await Say(visit, children[1], VisitPart.Cold, 1, "8:11");
        var at = await At(visit);
        Assert.Equal(children.ToHashSet(),
            (await schools.InA(connection => Visiting.HeldAndCopied(connection, at, 1))).LooksCopied.ToHashSet());
        await Copied(true);
        await Copied(true);
        var given = (await At(visit)).Children[0].At(VisitPart.Cold, 1)!;
        Assert.Equal(("8:11", HowDone.Copied.Id), (given.Given!.Raw, given.Given.How));
        Assert.True(ChildRecord.AsGiven(given).Helped);
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
        await Copied(false);
        Assert.False(ChildRecord.AsGiven((await At(visit)).Children[0].At(VisitPart.Cold, 1)!).Helped);

        Task<bool> Copied(bool copied) =>
            schools.InA(connection => Visiting.NoteCopied(connection, visit, children[0], VisitPart.Cold, 1, copied, Teacher));
    }

    [Fact]
    public async Task A_note_is_made_by_one_press_and_taken_back_by_another()
    {
        var (visit, children) = await Begun(1);
        var sure = VisitNote.Find("count-sure")!;
        await schools.InA(connection => Visiting.Note(connection, visit, children[0], sure, holds: true, Teacher));
        await schools.InA(connection => Visiting.Note(connection, visit, children[0], sure, holds: true, Teacher));
        Assert.Equal("count-sure", Assert.Single(await schools.InA(connection => Visits.NotesOf(connection, children[0]))).Note);
        await schools.InA(connection => Visiting.Note(connection, visit, children[0], sure, holds: false, Teacher));
        Assert.Empty(await schools.InA(connection => Visits.NotesOf(connection, children[0])));
        Assert.False(await schools.InA(connection =>
            Visiting.Note(connection, visit, new ChildId(Guid.NewGuid()), sure, holds: true, Teacher)));
    }

    [Fact]
    public async Task An_answer_that_arrives_after_the_visit_was_stopped_is_kept()
    {
        var (visit, children) = await Begun(1);
        await GoOn(visit);
        await Stop(visit);
        Assert.Equal(AnswerOutcome.Kept, await Say(visit, children[0], VisitPart.Cold, 1, "4:00"));
        Assert.Single(Assert.Single((await Record(children[0])).Sittings).Answered);
        Assert.Equal(AnswerOutcome.NotAsked, await Say(visit, children[0], VisitPart.Practise, 1, "4:00"));
    }

    [Fact]
    public async Task Another_school_finds_nothing_of_it()
    {
        var (visit, children) = await Begun(1);
        await schools.App.InSchool(schools.B, async connection =>
        {
            Assert.Null(await VisitState.Load(connection, visit));
            Assert.False(await Visiting.Stop(connection, visit));
            Assert.Equal(AnswerOutcome.NotFound,
                await Visiting.Answer(connection, visit, children[0], VisitPart.Room,
                    new Submission(Guid.NewGuid(), 1, "9:00", AnswerMode.Said, null), Teacher));
            return 0;
        });
        Assert.Equal((VisitPart.Room, 1), await Reached(visit));
    }

    [Fact]
    public async Task Who_is_in_the_middle_of_something_cannot_begin()
    {
        var (_, children) = await Begun(1);
        var asked = await schools.Child(schools.A);
        await schools.InA(connection => Asking.Start(connection, asked));
        var free = await schools.Child(schools.A);
        var other = Guid.NewGuid();
        Assert.Equal([asked], (await schools.InA(connection => Visiting.Begin(connection, other, NextHour, [free, asked], null, Teacher)))
            .Select(child => child.Id));
        Assert.Null(await schools.InA(connection => Visits.Find(connection, other)));
        Assert.Equal(new[] { children[0], asked }.ToHashSet(),
            (await schools.InA(connection => Visiting.Busy(connection, [children[0], asked, free]))).Select(child => child.Id).ToHashSet());
    }

    [Fact]
    public async Task A_clock_of_the_teacher_s_own_that_carries_minute_numbers_is_help()
    {
        var child = await schools.Child(schools.A);
        var own = new AskingOptions(Plan.Chosen, DeliveryMode.OwnClock)
        {
            Tasks = ["read-digital", "read-digital", "read-digital"],
            ClockCarries = "minute-numbers"
        };
        var sitting = (await schools.InA(connection => Asking.Start(connection, child, own)))!.Value;
        await Answer("4:00");
        // Gone on in conversation the clock on the screen is bare; and back again it is help.
        await schools.InA(connection => Asking.Deliver(connection, sitting, DeliveryMode.Conversation));
        await Answer("4:00");
        await schools.InA(connection => Asking.Deliver(connection, sitting, DeliveryMode.OwnClock));
        await Answer("4:00");
        var asked = (await schools.InA(connection => Sittings.AskedIn(connection, [sitting])))[sitting].ToList();
        Assert.Equal([Support.Most, Support.Bare, Support.Most], asked.Take(3).Select(each => each.Support));
        Assert.Equal([true, false, true], (await Record(child)).Answers.Select(answer => answer.Helped));
        Assert.Equal("minute-numbers", (await schools.InA(connection => Sittings.Find(connection, sitting)))!.ClockCarries);

        async Task Answer(string raw)
        {
            var place = (await schools.InA(connection => Sittings.Find(connection, sitting)))!.CurrentPlace;
            Assert.Equal(AnswerOutcome.Kept,
                await schools.InA(connection =>
                    Asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, AnswerMode.Said, null), Teacher)));
        }
    }

    [Fact]
    public async Task Four_come_for_the_cold_start_alone()
    {
        var (visit, children) = await Begun(4);
        Assert.Equal((VisitPart.Cold, 1), await Reached(visit));
        for (var place = 1; place <= ColdItems; place++)
            foreach (var child in children) await Say(visit, child, VisitPart.Cold, place, ".");
        var at = await At(visit);
        Assert.NotNull(at.Visit.EndedAt);
        Assert.All(at.Children, child => Assert.Null(child.Practice));
        Assert.All(at.Children, child => Assert.Equal(ColdItems, child.Cold!.Answered.Count()));
    }

    [Fact]
    public async Task Two_read_the_wall_clock_once_a_week_and_one_alone_always()
    {
        var (visit, children) = await Begun(2);
        foreach (var child in children) await Say(visit, child, VisitPart.Room, 1, "9:00");
        await Stop(visit);
        Assert.Equal(VisitPart.Cold, (await Reached(await BegunWith(children))).Part);
        await StopAll(children);
        var alone = await BegunWith([children[0]]);
        Assert.Equal((VisitPart.Room, 1), await Reached(alone));
        // Left out, it can be gone back to.
        await GoOn(alone);
        await schools.InA(connection => Visiting.Back(connection, alone, VisitPart.Cold, 1));
        Assert.Equal((VisitPart.Room, 1), await Reached(alone));
    }

    [Fact]
    public async Task Of_a_child_who_is_noted_as_absent_no_answer_is_expected_until_they_come()
    {
        var children = new List<ChildId> { await schools.Child(schools.A), await schools.Child(schools.A) };
        await schools.InA(async connection =>
        {
            var today = await Schools.Today(connection, DateTime.UtcNow);
            await Timetables.NoteAbsence(connection, children[1], today, absent: true, Teacher, DateTime.UtcNow);
            return 0;
        });
        var visit = await BegunWith(children);
        Assert.Equal([children[0]], (await At(visit)).Here.Select(child => child.Child.Id));
        await Say(visit, children[0], VisitPart.Room, 1, "9:00");
        Assert.Equal((VisitPart.Cold, 1), await Reached(visit));
        Assert.True(await schools.InA(connection => Visiting.Leave(connection, visit, children[1], isHere: true, Teacher)));
        await Say(visit, children[0], VisitPart.Cold, 1, ".");
        Assert.Equal((VisitPart.Cold, 1), await Reached(visit));
        await Say(visit, children[1], VisitPart.Cold, 1, ".");
        Assert.Equal((VisitPart.Cold, 2), await Reached(visit));
    }

    [Fact]
    public async Task What_is_said_to_all_is_noted_for_whoever_needed_it_and_stays_where_something_was_noted()
    {
        var (visit, children) = await BegunAtPractice(3);
        await Say(visit, children[0], VisitPart.Practise, 1, ".");
        foreach (var child in children.Skip(1)) await Say(visit, child, VisitPart.Practise, 1, "8:11");
        await schools.InA(connection => Visiting.NoteRung(connection, visit, children[1], 1, Rung.Told, Teacher));
        Assert.True(await schools.InA(connection => Visiting.NoteRungOfAll(connection, visit, 1, Rung.HandNamed, Teacher)));
        var at = await At(visit);
        Assert.Equal([null, Rung.Told, Rung.HandNamed],
            children.Select(child => at.Children.First(each => each.Child.Id == child).Rungs.TryGetValue(1, out var rung) ? rung
                : default(Rung?)));
    }

    [Fact]
    public async Task Wrong_again_and_again_with_nothing_noted_is_not_called_no_help()
    {
        var (visit, children) = await BegunAtPractice(1);
        while (await Reached(visit) is (VisitPart.Practise, var place))
        {
            await Say(visit, children[0], VisitPart.Practise, place, "8:11");
            await GoOn(visit);
        }
        await Stop(visit);
        var help = (await Help(children[0]))!;
        Assert.True(help.IsUnknown);
        Assert.Null(help.Next);
        Assert.EndsWith("what it took was not noted: begin as this time.", help.NextInWords, StringComparison.Ordinal);
    }

    private async Task<(VisitId Visit, IReadOnlyList<ChildId> Children)> BegunAtPractice(int count)
    {
        var (visit, children) = await Begun(count);
        while (await Reached(visit) is (not VisitPart.Practise, _)) await GoOn(visit);
        return (visit, children);
    }

    private async Task StopAll(IReadOnlyList<ChildId> children)
    {
        foreach (var open in (await schools.InA(connection => Visits.OfChild(connection, children[0]))).Where(open => open.EndedAt is null))
            await Stop(open.Id);
    }

    private async Task<VisitId> BegunWith(IReadOnlyList<ChildId> children)
    {
        var visit = Guid.NewGuid();
        await schools.App.InSchool(schools.A,
            connection => Visiting.Begin(connection, visit, NextHour, children, "has-it-arrived", Teacher));
        return visit;
    }

    private async Task<(VisitId Visit, IReadOnlyList<ChildId> Children)> Begun(int count)
    {
        var children = new List<ChildId>();
        for (var i = 0; i < count; i++) children.Add(await schools.Child(schools.A));
        return (await BegunWith(children), children);
    }

    private Task<AnswerOutcome> Say(VisitId visit, ChildId child, VisitPart part, int place, string raw, AnswerId? id = null) =>
        schools.InA(connection =>
            Visiting.Answer(connection, visit, child, part, new Submission(id ?? Guid.NewGuid(), place, raw, AnswerMode.Said, null),
                Teacher));

    private async Task GoOn(VisitId visit, string? shown = null)
    {
        var (part, place) = await Reached(visit);
        Assert.True(await schools.InA(connection => Visiting.GoOn(connection, visit, part, place, Demonstration.Find(shown), Teacher)));
    }

    private Task Stop(VisitId visit) => schools.InA(connection => Visiting.Stop(connection, visit));

    private async Task<VisitState> At(VisitId visit) => (await schools.InA(connection => VisitState.Load(connection, visit)))!;

    private async Task<(VisitPart Part, int Place)> Reached(VisitId visit) => await At(visit) is var at ? (at.Visit.Part, at.Visit.Place)
        : default;

    private async Task<ChildRecord> Record(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    private async Task<HelpTaken?> Help(ChildId child) =>
        await schools.InA(connection => HelpTaken.Load(connection, child, most: 1)) is [var help] ? help : null;

    private static (int Right, int Telling) Result(ChildRecord record) => Assert.Single(record.Work.CourseOf(NextHour).Colds) is var cold
        ? (cold.Right, cold.Telling.Count) : default;
}
