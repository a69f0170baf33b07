using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;

namespace Umbick.Casework.Tests;

/// <summary>
/// Cold starts, decisions and cycles against a real database: what is kept is what is computed again, and what was decided stays as it was
/// shown.
/// </summary>
public sealed class DecidingTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly Pattern NextHour = Catalogue.Find("next-hour")!;
    private static readonly PersonId Teacher = Guid.NewGuid();
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.UtcNow);

    [Fact]
    public async Task What_is_offered_is_taken_once_and_what_was_shown_then_stays_with_it()
    {
        var child = await Colds("30 iiii, 23 riii, 16 riii, 9 iiii");
        // What was never practised has no approach that could be changed.
        Assert.Null((await Course(child)).Offer);
        await Practise(child, 29);
        Assert.Equal(DecisionKind.ChangeApproach, (await Course(child)).Offer!.Kind);
        var id = Guid.NewGuid();
        Assert.False(await Take(child, Guid.NewGuid(), DecisionKind.FinishPattern, taken: true));
        Assert.True(await Take(child, id, DecisionKind.ChangeApproach, taken: true));
        // The reply was lost: the same press again, and another page that has grown stale.
        Assert.True(await Take(child, id, DecisionKind.ChangeApproach, taken: true));
        Assert.False(await Take(child, Guid.NewGuid(), DecisionKind.ChangeApproach, taken: false));
        var decision = Assert.Single((await Load(child)).Work.Decisions);
        Assert.Contains("\"right\": 1", decision.ShownText, StringComparison.Ordinal);
        Assert.Equal(ReadingModel.Version, decision.Engine);
        Assert.Null((await Course(child)).Offer);

        // An answer is put right afterwards: what follows changes, and what was shown does not.
        var cold = (await Load(child)).Sittings.Last(sitting => sitting.Sitting.Plan == Plan.ColdStart);
        await PutRight(cold, 1);
        Assert.Equal(1, (await Course(child)).Colds[^1].Right);
        Assert.Equal(decision.ShownText, Assert.Single((await Load(child)).Work.Decisions).ShownText);

        Assert.True(await schools.InA(connection => new Deciding(Model, TimeProvider.System).TakeBack(connection, child, id, Teacher)));
        Assert.False(await schools.InA(connection => new Deciding(Model, TimeProvider.System).TakeBack(connection, child, id, Teacher)));
        Assert.Equal(DecisionKind.ChangeApproach, (await Course(child)).Offer!.Kind);
        Assert.True(Assert.Single((await Load(child)).Work.Decisions).TakenBack);
    }

    [Fact]
    public async Task What_is_finished_is_practised_no_more_and_looked_at_again_and_comes_back_by_two_of_its_answers()
    {
        var child = await Colds("40 iiii, 33 rrrr, 26 rrrr");
        Assert.True(await Take(child, Guid.NewGuid(), DecisionKind.FinishPattern, taken: true, daysAgo: 26));
        var record = await Load(child);
        Assert.Equal(PatternPhase.InRechecks, record.Work.CourseOf(NextHour).Phase);
        Assert.DoesNotContain(NextHour, record.SummaryOn(Today).State.Likely);
        Assert.Equal((NextStep.Recheck, NextHour), (record.SummaryOn(Today).Next.Step, record.SummaryOn(Today).Next.Pattern));

        await Cold(child, "rrii", 2);
        Assert.Equal(DecisionKind.BackToPractice, (await Course(child)).Offer!.Kind);
        Assert.True(await Take(child, Guid.NewGuid(), DecisionKind.BackToPractice, taken: true));
        Assert.Equal(PatternPhase.Practising, (await Course(child)).Phase);
        Assert.Null((await Course(child)).MasteredOn);
    }

    [Fact]
    public async Task What_is_kept_is_what_is_reckoned_anew_also_after_a_sheet_that_comes_late_and_an_answer_put_right()
    {
        var child = await Colds("30 iiii, 23 riii, 16 rrii, 9 rrrr");
        await AssertLiveIsReplayed(child);
        // A sheet of three weeks ago is typed in today.
        var sheet = await schools.InA(async connection =>
        {
            var asking = new Asking(Model, TimeProvider.System);
            var id = (await asking.Start(connection, child))!.Value;
            for (var place = 1; place <= 3; place++)
                await asking.Answer(connection, id, new Submission(Guid.NewGuid(), place, "4:12", AnswerMode.Written, null), Teacher);
            await asking.Stop(connection, id);
            await asking.TellDay(connection, (await Sittings.Find(connection, id))!, Today.AddDays(-21));
            return id;
        });
        Assert.Equal(sheet, (await Load(child)).Sittings[^3].Sitting.Id);
        await AssertLiveIsReplayed(child);
        await PutRight((await Load(child)).Sittings[0], 2);
        await AssertLiveIsReplayed(child);
        await Say(child, Guid.NewGuid(), holds: true, "seen at the board");
        await AssertLiveIsReplayed(child);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task A_teacher_s_word_is_evidence_shown_as_theirs_and_can_be_taken_back(bool holds)
    {
        // Which clocks a cold start has is drawn by its sitting's id: given ids draw the same every time. One telling answer its way does
        // not make it likely.
        var child = await schools.Child(schools.A);
        foreach (var cold in holds ? new[] { 1 } : [2, 3, 4])
        {
            await schools.App.InSchool(schools.A, async connection =>
            {
                var asking = new Asking(Model, At(24 - cold));
                var id = (await asking.Start(connection, child,
                    new AskingOptions(Plan.ColdStart)
                    {
                        ColdPattern = NextHour,
                        Id = new SittingId(new Guid(cold, 0, 0, new byte[8]))
                    }))!.Value;
                await Answer(connection, asking, id, holds ? "i" : "iiii", whole: !holds);
                await asking.Stop(connection, id);
            });
        }
        var before = LabelOf(await Load(child));
        Assert.Equal(!holds, before == Label.Likely);
        var id = Guid.NewGuid();
        await Say(child, id, holds, "they told me");
        var after = await Load(child);
        Assert.Equal(holds ? Label.Likely : Label.Unlikely, LabelOf(after) ?? Label.Unlikely);
        Assert.Equal("they told me", Assert.Single(after.Work.Decisions).Reason);
        await schools.InA(connection => new Deciding(Model, TimeProvider.System).TakeBack(connection, child, id, Teacher));
        Assert.Equal(before, LabelOf(await Load(child)));

        static Label? LabelOf(ChildRecord record) => record.Now.Findings.FirstOrDefault(finding => finding.Pattern == NextHour)?.Label;
    }

    [Fact]
    public async Task What_was_ruled_out_is_called_again_once_two_answers_have_gone_its_way_since()
    {
        var child = await schools.Child(schools.A);
        await Cold(child, "iiii", 30, id: 11);
        await Say(child, Guid.NewGuid(), holds: false, "a joke", daysAgo: 29);
        Assert.DoesNotContain(NextHour, (await Load(child)).Now.Likely.Select(finding => finding.Pattern));
        await Cold(child, "iiii", 10, id: 12);
        await Cold(child, "iiii", 9, id: 13);
        Assert.Contains(NextHour, (await Load(child)).Now.Likely.Select(finding => finding.Pattern));
    }

    [Fact]
    public async Task A_cycle_has_its_forms_its_growth_and_its_end_and_there_is_one_at_a_time()
    {
        var child = await schools.Child(schools.A);
        var cycle = Guid.NewGuid();
        Assert.True(await schools.InA(connection =>
            new Deciding(Model, At(56)).BeginCycle(connection, cycle, child, 8, 10, "class screening", Teacher)));
        Assert.False(await schools.InA(connection =>
            new Deciding(Model, At(50)).BeginCycle(connection, Guid.NewGuid(), child, 8, 10, "again", Teacher)));
        Assert.Equal((NextStep.GiveForm, "Form A"),
            ((await Load(child)).SummaryOn(Today).Next.Step, (await Load(child)).SummaryOn(Today).Next.Heading));
        await Form(child, "A", right: false, 56);
        await Form(child, "B", right: true, 28);
        await Form(child, "C", right: true, 1);
        var work = (await Load(child)).Work;
        var held = work.ChecksOf(Assert.Single(work.Cycles));
        Assert.Equal(["A 0", "B 12", "C 12"], held.Select(check => $"{check.Form} {check.Right}"));
        Assert.True(CheckCycle.Growth(held) > 3, $"{CheckCycle.Growth(held)}");
        Assert.True(Assert.Single(work.Cycles).Cycle.IsReached(held));
        Assert.True(await schools.InA(connection =>
            new Deciding(Model, TimeProvider.System).EndCycle(connection, cycle, child, "goal reached", Teacher)));
        Assert.Null((await Load(child)).Work.Cycle);
        Assert.True(await schools.InA(connection =>
            new Deciding(Model, TimeProvider.System).BeginCycle(connection, Guid.NewGuid(), child, 6, 9, "another", Teacher)));
        // What was held in the first belongs to the first.
        Assert.DoesNotContain((await Load(child)).Work.ChecksOf((await Load(child)).Work.Cycle!), check => check.Form == "A");
    }

    /// <summary>What the pages read from rows, held against all answers replayed by a model that remembers nothing.</summary>
    private async Task AssertLiveIsReplayed(ChildId child)
    {
        var anew = await schools.InA(connection => ChildRecord.Load(connection, new ReadingModel(), child));
        var live = (await schools.InA(connection => ProgressRecord.Load(connection, Model, child, Today)))!;
        var over = anew!.Sittings.Select((sitting, place) => (sitting, place)).Where(each => each.sitting.Sitting.EndedAt is not null)
            .ToList();
        Assert.Equal(over.Count, live.Beliefs.Count);
        foreach (var ((sitting, place), shown) in over.Zip(live.Beliefs))
        {
            Assert.Equal(sitting.Day, shown.Day);
            Assert.Equal(anew.After(place).Findings.Count, shown.Beliefs.Count);
            Assert.All(anew.After(place).Findings, finding => Assert.Equal(finding.Belief, shown.Beliefs[finding.Pattern], 1e-6));
        }
        var listed = (await schools.InA(connection => Caseload.Load(connection, Model))).Single(school => school.Child.Id == child);
        Assert.Equal(Told(anew.Work), Told(listed.Work));
        Assert.Equal(Told(anew.Work), Told(live.Work));
        Assert.Equal(anew.SummaryOn(Today).Next, listed.SummaryOn(Today).Next);

        static string Told(PatternWork work) => string.Join("; ", work.Courses.OrderBy(course => course.Key.Id).Select(course =>
            $"{course.Key.Id} {course.Value.Phase} {course.Value.MasteredOn} {course.Value.Offer?.Kind} "
                + $"{string.Join(' ', course.Value.Colds.Select(cold => $"{cold.Day:O}:{string.Concat(cold.Telling)}"))}"));
    }

    /// <summary>A child with cold starts: days ago, and how each telling answer came out.</summary>
    private async Task<ChildId> Colds(string text)
    {
        var child = await schools.Child(schools.A);
        foreach (var cold in text.Split(", "))
            await Cold(child, cold.Split(' ')[1], int.Parse(cold.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture));
        return child;
    }

    private Task Cold(ChildId child, string outcomes, int daysAgo, int? id = null) => schools.App.InSchool(schools.A, async connection =>
    {
        var asking = new Asking(Model, At(daysAgo));
        await Answer(connection, asking,
            (await asking.Start(connection, child,
                new AskingOptions(Plan.ColdStart)
                {
                    ColdPattern = NextHour,
                    Id = id is { } given ? new SittingId(new Guid(given, 0, 0, new byte[8])) : null
                }))!.Value, outcomes);
    });

    private Task Practise(ChildId child, int daysAgo) => schools.App.InSchool(schools.A, async connection =>
    {
        var practising = new Practising(Model, At(daysAgo));
        var (_, sitting) = await practising.Assign(connection, await Load(child), NextHour, new SetChoices(), Teacher);
        await practising.Answer(connection, sitting, new Submission(Guid.NewGuid(), 1, ".", AnswerMode.Said, null), Teacher);
    });

    private static async Task Answer(SchoolConnection connection, Asking asking, SittingId id, string outcomes, bool whole = true)
    {
        var held = HeldPattern.Plain(Model, NextHour);
        foreach (var asked in (await Sittings.AskedIn(connection, [id]))[id].Take(whole ? int.MaxValue : outcomes.Length).ToList())
        {
            var itsWay = asked.Place <= outcomes.Length && outcomes[asked.Place - 1] == 'i';
            await asking.Answer(connection, id,
                new Submission(Guid.NewGuid(), asked.Place, (itsWay ? held.AnswerTo(asked.Item) : asked.Item.Right).Short(Wording.Usual),
                    asked.Item.Task.Aloud, null), Teacher);
        }
    }

    private Task Form(ChildId child, string form, bool right, int daysAgo) => schools.App.InSchool(schools.A, async connection =>
    {
        var asking = new Asking(Model, At(daysAgo));
        var id = (await asking.Start(connection, child, new AskingOptions(Plan.Form) { Form = form }))!.Value;
        foreach (var asked in (await Sittings.AskedIn(connection, [id]))[id].ToList())
            await asking.Answer(connection, id, new Submission(Guid.NewGuid(), asked.Place, right ? "." : "?", asked.Item.Task.Aloud, null),
                Teacher);
    });

    private Task PutRight(SittingRecord sitting, int place) => schools.App.InSchool(schools.A, async connection =>
    {
        var given = sitting.Questions.First(question => question.Asked.Place == place).Given!;
        Assert.Equal(AnswerOutcome.Kept,
            await new Asking(Model, TimeProvider.System).Answer(connection, sitting.Sitting.Id,
                new Submission(Guid.NewGuid(), place, ".", given.AnswerMode, null) { Corrects = given.Id }, Teacher));
    });

    private Task<bool?> Take(ChildId child, DecisionId id, DecisionKind kind, bool taken, int daysAgo = 0) =>
        schools.InA(async connection => await new Deciding(Model, At(daysAgo)).Decide(connection, id, child, NextHour, kind, taken,
            (await ChildRecord.Load(connection, Model, child))!.Source, Teacher));

    private Task<bool?> Say(ChildId child, DecisionId id, bool holds, string reason, int daysAgo = 0) =>
        schools.InA(async connection => await new Deciding(Model, At(daysAgo)).Say(connection, id, child, NextHour, holds, reason,
            (await ChildRecord.Load(connection, Model, child))!.Source, Teacher));

    private async Task<PatternCourse> Course(ChildId child) => (await Load(child)).Work.CourseOf(NextHour);

    private async Task<ChildRecord> Load(ChildId child) => (await schools.InA(connection => ChildRecord.Load(connection, Model, child)))!;

    /// <summary>So many days ago, in the middle of the day: near midnight a change of clocks would make it another day.</summary>
    private static StartChecks At(int daysAgo) =>
        new(daysAgo == 0 ? DateTimeOffset.UtcNow : new DateTimeOffset(DateTime.UtcNow.Date.AddDays(-daysAgo).AddHours(11), TimeSpan.Zero));
}
