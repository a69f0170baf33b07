using Umbick.Core.Diagnosis;
using Umbick.Core.Items;

namespace Umbick.Casework.Tests;

/// <summary>What is known while a sitting goes on is what all the child's answers say, whether it was remembered or replayed.</summary>
public sealed class UnderWayTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private readonly Asking _asking = new(Model, TimeProvider.System);

    [Fact]
    public async Task Each_answer_is_held_against_everything_before_it()
    {
        var child = await schools.Child(schools.A);
        for (var sitting = 0; sitting < 3; sitting++)
        {
            var id = await Begin(child);
            foreach (var (raw, place) in new[] { "4:12", "7:20", "half past 3", "-", "1:00" }.Select((raw, i) => (raw, i + 1)))
            {
                await Send(id, place, raw);
                await AssertTheSame(id, place);
            }
            await schools.InA(connection => _asking.Stop(connection, id));
        }
    }

    [Fact]
    public async Task An_answer_of_an_earlier_sitting_put_right_meanwhile_counts_at_once()
    {
        var child = await schools.Child(schools.A);
        var first = await Begin(child);
        for (var place = 1; place <= 3; place++) await Send(first, place, "12:20");
        await schools.InA(connection => _asking.Stop(connection, first));
        var now = await Begin(child);
        await Send(now, 1, "4:00");
        await Send(now, 2, "5:00");
        var before = await Load(now, Model);

        await schools.InA(async connection =>
        {
            var wrong = (await Sittings.AnswersIn(connection, [first]))[first].Single(answer => answer.Place == 2).Id;
            await Sittings.AddAnswer(connection,
                new AnswerRow
                {
                    Sitting = first,
                    Id = Guid.NewGuid(),
                    Place = 2,
                    Try = 1,
                    Raw = "ok",
                    Mode = "said",
                    Corrects = wrong,
                    By = Guid.NewGuid()
                }, DateTime.UtcNow, DateTime.UtcNow);
            return true;
        });
        var after = await AssertTheSame(now, 2);
        Assert.Contains(Model.Patterns,
            pattern => Math.Abs(before.Replay.Belief.ProbabilityOf(pattern) - after.Replay.Belief.ProbabilityOf(pattern)) > 1e-6);
    }

    [Fact]
    public async Task A_sitting_that_others_have_followed_is_held_against_those_too()
    {
        var child = await schools.Child(schools.A);
        var left = await Begin(child);
        await Send(left, 1, "4:00");
        var record = await schools.InA(connection => ChildRecord.Load(connection, Model, child));
        var (_, set) = await schools.InA(connection =>
            new Practising(Model, TimeProvider.System).Assign(connection, record!, Model.Patterns[0], new SetChoices(), Guid.NewGuid()));
        await schools.InA(connection =>
            new Practising(Model, TimeProvider.System).Answer(connection, set,
                new Submission(Guid.NewGuid(), 1, "9:15", AnswerMode.Written, null)));
        await Send(left, 2, "5:10");
        await AssertTheSame(left, 2);
    }

    [Fact]
    public async Task An_answer_in_the_middle_of_a_sitting_costs_few_round_trips_and_a_class_no_more_than_a_child()
    {
        var sitting = await Begin(await schools.Child(schools.A));
        await Send(sitting, 1, "4:12");
        var second = new Submission(Guid.NewGuid(), 2, "4:13", AnswerMode.Said, null);
        Assert.Equal(4, await schools.InA(async connection =>
        {
            await _asking.Answer(connection, sitting, second, null);
            return connection.RoundTrips;
        }));

        async Task<int> Class(int children) => await schools.InA(async connection =>
        {
            await new ClassScreening(Model, TimeProvider.System).Start(connection, "Class", Stage.OClock,
                [.. Enumerable.Range(0, children).Select(_ => $"{Guid.NewGuid():N}")]);
            return connection.RoundTrips;
        });
        Assert.Equal(await Class(1), await Class(60));
    }

    private async Task<SittingUnderWay> AssertTheSame(SittingId sitting, int answered)
    {
        // A model that remembers nothing replays all.
        var (remembered, replayed) = (await Load(sitting, Model), await Load(sitting, new ReadingModel()));
        Assert.Equal(answered, remembered.Answered.Count);
        Assert.Equal(replayed.Answered.Select(Told), remembered.Answered.Select(Told));
        Assert.Equal(replayed.Replay.Answers, remembered.Replay.Answers);
        Assert.All(Model.Patterns,
            pattern => Assert.Equal(replayed.Replay.Belief.ProbabilityOf(pattern), remembered.Replay.Belief.ProbabilityOf(pattern), 9));
        return remembered;

        static string Told(ItemResponse question) =>
            $"{question.Asked.Place} {question.Asked.Item} {question.Given!.Raw} {question.IsRight}";
    }

    private Task<SittingUnderWay> Load(SittingId sitting, ReadingModel model) => schools.InA(async connection =>
        await SittingUnderWay.Load(connection, model, (await Sittings.Find(connection, sitting))!, await Sittings.Rows(connection, sitting),
            DateTime.UtcNow));

    private async Task<SittingId> Begin(ChildId child) =>
        (await schools.InA(connection => _asking.Start(connection, child, new AskingOptions { Id = DrawnSitting.Id(1) })))!.Value;

    private Task<AnswerOutcome> Send(SittingId sitting, int place, string raw) =>
        schools.InA(connection =>
            _asking.Answer(connection, sitting, new Submission(Guid.NewGuid(), place, raw, AnswerMode.Said, null), null));
}
