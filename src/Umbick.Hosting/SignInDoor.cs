
namespace Umbick.Hosting;

/// <summary>
/// Where passwords and codes are tried. Each try is counted in the database before it is heard; how many are heard stands there, for all
/// processes. A name from one address is heard eight times in two minutes; strangers together cannot use up the tries of whoever is at the
/// school.
/// </summary>
public sealed class SignInDoor(Database database, PersonSchools schools, AddressHash addresses, PasswordTurns turns, TimeProvider clock)
{
    /// <summary>So many wrong ones are heard of a name from an address in two minutes.</summary>
    public const int AtOnce = 8;

    /// <summary>A try at a password.</summary>
    public Task<Knock> AtPassword(HttpContext context, string userName) => At(context, userName, isSecondStep: false);

    /// <summary>A try at the second step.</summary>
    public Task<Knock> AtSecondStep(HttpContext context, string userName) => At(context, userName, isSecondStep: true);

    /// <summary>
    /// Keeps a wrong password or code at each school of the name; the person in charge is told of a second step that it stopped.
    /// </summary>
    /// <remarks>A name that nobody has may be a password typed into the wrong field: it is kept nowhere.</remarks>
    public async Task NoteWrong(Knock knock, string userName, CancellationToken cancel)
    {
        var now = clock.GetUtcNow().UtcDateTime;
        foreach (var (school, person) in await schools.Find(userName, cancel))
        {
            await database.InSchool(
                school,
                async connection =>
                {
                    await Audit.Note(connection, null, AuditKinds.WrongPassword, now, whom: person);
                    if (knock.WasLastOfTheDay) await Audit.Note(connection, null, AuditKinds.SecondStepStopped, now, whom: person);
                },
                cancel);
        }
    }

    private async Task<Knock> At(HttpContext context, string userName, bool isSecondStep)
    {
        // No account has a longer name: it is neither looked for nor counted.
        if (userName.Length > Casework.Accounts.UserNames.Longest)
            return new Knock("That name and password do not go together. Try again.", hasToWait: false);
        var cancel = context.RequestAborted;
        var counted = await database.BeforeSchool(connection =>
            DoorTries.Count(connection, isSecondStep, userName, addresses.HashOf(context)), cancel);
        if (counted.Outcome == DoorOutcome.Stopped)
            return new Knock("Too many wrong codes were typed today, so this second step is closed for a day. Whoever is in charge at "
                + "your school can let you in.");
        if (counted.Outcome == DoorOutcome.Wait) return new Knock("Too many tries. Wait a minute or two, then try again.");
        Task Forget() => database.BeforeSchool(connection => DoorTries.Forget(connection, counted), CancellationToken.None);
        if (isSecondStep) return new Knock(Forget, null, counted.WrongToday == DoorTries.MostCodesADay);
        if (await turns.Wait(counted.AtHome, cancel) is { } turn) return new Knock(Forget, turn, false);
        await Forget();
        return new Knock("Many are trying to sign in just now. Try again in a moment.");
    }
}

/// <summary>A try at a door: refused, or heard until it is disposed of. It counts as wrong unless it is said to be right.</summary>
public sealed class Knock : IDisposable
{
    private readonly Func<Task> _forget = () => Task.CompletedTask;
    private readonly IDisposable? _turn;

    internal Knock(string refusal, bool hasToWait = true) => (Refusal, HasToWait) = (refusal, hasToWait);

    internal Knock(Func<Task> forget, IDisposable? turn, bool wasLastOfTheDay) => (_forget, _turn, WasLastOfTheDay) =
        (forget, turn, wasLastOfTheDay);

    /// <summary>Why it is not heard, in a sentence; null where it is.</summary>
    public string? Refusal { get; }

    /// <summary>Whether it would be heard later.</summary>
    public bool HasToWait { get; }

    /// <summary>Whether a wrong one is the last of its day: the second step is stopped.</summary>
    public bool WasLastOfTheDay { get; }

    /// <summary>It was right, and counts no more.</summary>
    public Task Right() => _forget();

    public void Dispose() => _turn?.Dispose();
}
