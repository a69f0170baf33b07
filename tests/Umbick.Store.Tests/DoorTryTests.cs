using Umbick.Core.Items;

namespace Umbick.Store.Tests;

/// <summary>
/// However many try at once, and from wherever, no more are heard than is promised; and whoever is at the school is heard.
/// </summary>
public sealed class DoorTryTests(TestSchool schools) : IClassFixture<TestSchool>
{
    private readonly string _name = $"tern-{Guid.NewGuid():N}@skerry.example";

    [Fact]
    public async Task Of_a_name_from_one_address_eight_are_heard_however_many_try_at_once()
    {
        Assert.Equal(8, Heard(await AtOnce(49, i => Try(false, Stranger(1)))));
        Assert.Equal(DoorOutcome.Wait, (await Try(false, Stranger(1))).Outcome);
        Assert.Equal(DoorOutcome.Open, (await Try(false, Stranger(2))).Outcome);
    }

    [Fact]
    public async Task From_fifty_addresses_fifty_are_heard_together_and_the_school_s_own_address_is_heard_all_the_same()
    {
        await Person();
        await schools.App.InSchool(schools.A, connection => DoorTries.BeAtHome(connection, Stranger(0)));
        Assert.Equal(50, Heard(await AtOnce(500, i => Try(false, Stranger(1 + (i % 50))))));
        var own = await Try(false, Stranger(0));
        Assert.Equal((DoorOutcome.Open, true), (own.Outcome, own.AtHome));
    }

    [Fact]
    public async Task After_twenty_wrong_codes_in_a_day_a_second_step_is_stopped_until_they_are_let_in()
    {
        var person = await Person();
        var tries = await AtOnce(200, i => Try(true, Stranger(i % 50)));
        Assert.Equal(20, Heard(tries));
        // One of them is the last, and the person in charge is told by it.
        Assert.Single(tries, tried => tried.Outcome == DoorOutcome.Open && tried.WrongToday == DoorTries.MostCodesADay);
        Assert.Equal(DoorOutcome.Stopped, (await Try(true, Stranger(99))).Outcome);
        await schools.InA(connection =>
            connection.ExecuteAsync("update account set two_factor = true where id = @id", new { id = person.Id }));
        Assert.Equal(person.Id, Assert.Single(await schools.InA(DoorTries.StoppedSteps)).Person);
        await schools.App.InSchool(schools.A, connection => DoorTries.ForgetAll(connection, person.UserName));
        Assert.Equal(DoorOutcome.Open, (await Try(true, Stranger(99))).Outcome);
        Assert.Empty(await schools.InA(DoorTries.StoppedSteps));
    }

    [Fact]
    public async Task A_try_that_was_right_counts_no_more()
    {
        for (var time = 0; time < 20; time++)
        {
            var heard = await Try(false, Stranger(1));
            Assert.Equal(DoorOutcome.Open, heard.Outcome);
            await schools.App.BeforeSchool(connection => DoorTries.Forget(connection, heard));
        }
    }

    [Fact]
    public async Task A_code_by_time_is_taken_once_of_many_at_once_and_none_before_it()
    {
        var person = await Person();
        var taken = await Task.WhenAll(
            Enumerable.Range(0, 12).Select(_ => schools.InA(connection => People.TakeCodeStep(connection, person.Id, 100))));
        Assert.Single(taken, was => was);
        Assert.False(await schools.InA(connection => People.TakeCodeStep(connection, person.Id, 99)));
        Assert.True(await schools.InA(connection => People.TakeCodeStep(connection, person.Id, 101)));
    }

    /// <summary>
    /// Sixty wrong ones from the school itself; of strangers eight from each and sixty together, who then wait, right code or not. The
    /// school is heard.
    /// </summary>
    [Fact]
    public async Task Of_children_s_codes_strangers_use_up_their_own_tries_and_not_the_school_s()
    {
        var (sitting, asking) = (default(SittingId), new Asking(new Core.Diagnosis.ReadingModel(), TimeProvider.System));
        var child = await schools.Child(schools.B, Stage.OClock);
        sitting = (await schools.App.InSchool(schools.B,
            connection => asking.Start(connection, child, new AskingOptions(Delivery: DeliveryMode.OnChildsScreen))))!.Value;
        Task<string> Code() => schools.App.InSchool(schools.B, connection => Codes.Make(connection, sitting, DateTime.UtcNow));
        var right = await Code();
        var wrong = new CodeText(right[..3], CodeText.Read(right)!.Figures == "9999999" ? "0000000" : "9999999").ToString();
        Task<OpenedCode> Open(string code, int from) =>
            schools.App.BeforeSchool(connection => Codes.Open(connection, code, Guid.NewGuid(), Stranger(from)));
        Assert.Equal(CodeOutcome.Opened, (await Open(right, 0)).Outcome);

        Assert.Equal(8, (await AtOnce(60, _ => Open(wrong, 1))).Count(each => each.Outcome == CodeOutcome.Wrong));
        Assert.Equal(CodeOutcome.Wait, (await Open(await Code(), 1)).Outcome);
        Assert.Equal(52, (await AtOnce(500, i => Open(wrong, 2 + (i % 50)))).Count(each => each.Outcome == CodeOutcome.Wrong));
        Assert.Equal(CodeOutcome.Wait, (await Open(await Code(), 999)).Outcome);

        Assert.Equal(CodeOutcome.Opened, (await Open(await Code(), 0)).Outcome);
        Assert.Equal(60, (await AtOnce(100, _ => Open(wrong, 0))).Count(each => each.Outcome == CodeOutcome.Wrong));
        Assert.Equal(CodeOutcome.Wait, (await Open(await Code(), 0)).Outcome);
    }

    private Task<Person> Person() => schools.Owner.InSchool(schools.A, connection => People.Add(connection, _name, "Tern", "no hash"));

    private Task<DoorTry> Try(bool isSecondStep, byte[] address) =>
        schools.App.BeforeSchool(connection => DoorTries.Count(connection, isSecondStep, _name, address));

    private static async Task<T[]> AtOnce<T>(int count, Func<int, Task<T>> what) =>
        [.. (await Task.WhenAll(Enumerable.Range(0, count).Chunk(60).Select(some => Task.WhenAll(some.Select(what)))))
            .SelectMany(each => each)];

    private static int Heard(DoorTry[] tries) => tries.Count(tried => tried.Outcome == DoorOutcome.Open);

    private static byte[] Stranger(int number) => [.. BitConverter.GetBytes(number), .. new byte[28]];
}
