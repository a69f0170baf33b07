using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;

namespace Umbick.Casework.Tests;

/// <summary>What clocks really took in visits: the plan of the next one goes by it.</summary>
public sealed class PaceTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private static readonly ReadingModel Model = new();
    private static readonly PersonId Teacher = Guid.NewGuid();
    private readonly MovingClock _clock = new();

    [Fact]
    public async Task It_is_told_once_enough_clocks_were_answered_by_as_many_children()
    {
        var visiting = new Visiting(Model, new Asking(Model, _clock), new Practising(Model, _clock), _clock);
        await Visit(visiting);
        Assert.Equal((null, null), await Pace(1));
        await Visit(visiting);
        Assert.Equal((20.0, 40.0), await Pace(1));
        Assert.Equal((null, null), await Pace(2));
    }

    private Task<(double? Cold, double? Practise)> Pace(int children) =>
        schools.InA(connection => Visits.Pace(connection, children));

    /// <summary>One child: twenty seconds for each cold clock, forty for each that is practised; a pause in between says nothing.</summary>
    private async Task Visit(Visiting visiting)
    {
        var (visit, child) = (new VisitId(Guid.NewGuid()), await schools.Child(schools.A));
        await schools.App.InSchool(schools.A, connection =>
            visiting.Begin(connection, visit, Catalogue.Find("next-hour")!, [child], "has-it-arrived", Teacher));
        while (await schools.InA(connection => VisitState.Load(connection, visit)) is { Visit: { EndedAt: null } now } at)
        {
            _clock.Pass(TimeSpan.FromSeconds(now.Part == VisitPart.Cold ? 20 : now.Part == VisitPart.Practise ? 40 : 600));
            if (at.Asked is not null)
                await schools.InA(connection => visiting.Answer(connection, visit, child, now.Part,
                    new Submission(Guid.NewGuid(), now.Place, "4:00", AnswerMode.Said, null), Teacher));
            if (now.Part != VisitPart.Cold)
                await schools.InA(connection => visiting.GoOn(connection, visit, now.Part, now.Place, null, Teacher));
        }
    }

    private sealed class MovingClock : TimeProvider
    {
        private DateTimeOffset _now = DateTimeOffset.UtcNow.AddHours(-6);

        public void Pass(TimeSpan time) => _now += time;

        public override DateTimeOffset GetUtcNow() => _now;
    }
}
