using System.Security.Cryptography;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Umbick.Casework.Accounts;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary><c>new-school</c>, <c>add-teacher</c> and <c>let-in</c>: who can sign in before anybody can.</summary>
internal static class NewPeople
{
    /// <summary>Letters and figures that are not taken for each other when they are read off paper.</summary>
    private const string Readable = "abcdefghjkmnpqrstuvwxyz23456789";

    public static Task<int> NewSchool(string? name, string? zone, string? teacher, string? userName) =>
        VerbException.Report(() => Connections.AsOwner(async database =>
    {
        if (await database.IsDemo()) throw new VerbException("This database holds demonstration data. A school has one of its own.");
        var asked = Ask("The school's name", name, given => given.Length is > 0 and <= 120 ? null : "A name has 1 to 120 letters.");
        if ((await database.BeforeSchool(Schools.All)).Any(school => string.Equals(school.Name, asked, StringComparison.OrdinalIgnoreCase)))
            throw new VerbException($"There is a school called “{asked}”. ./umbick add-teacher adds somebody to it.");
        var known = Ask("Its time zone, such as Europe/London", zone,
            given => TimeZoneInfo.TryFindSystemTimeZoneById(given, out _) && given.Contains('/', StringComparison.Ordinal) ? null
                : $"No time zone is called “{given}”.");
        var (display, sign) = (AskName(teacher), AskUserName(userName));
        var (id, password) = (SchoolId.New(), MadePassword());
        await database.InSchool(id, async connection =>
        {
            await Schools.Add(connection, new Rows.School(id, asked));
            if (await Schools.MoveTo(connection, known) == 0) throw new VerbException($"The database knows no time zone called “{known}”.");
            await Add(connection, sign, display, password, PersonRole.Teacher, inCharge: true);
        });
        Tell($"{asked} is there, with {display} in charge.", sign, password);
        return id;
    }));

    public static Task<int> AddTeacher(string? school, string? teacher, string? userName, bool inCharge) =>
        VerbException.Report(() => Connections.AsOwner(async database =>
    {
        var found = await Connections.School(database, school);
        var (display, sign, password) = (AskName(teacher), AskUserName(userName), MadePassword());
        await database.InSchool(found.Id, connection => Add(connection, sign, display, password, PersonRole.Teacher, inCharge));
        Tell($"{display} is a teacher at {found.Name} now{(inCharge ? ", and in charge" : "")}.", sign, password);
        return found.Id;
    }));

    /// <summary>Turns somebody's second step off, who has lost the device. They are told when they next come in.</summary>
    public static Task<int> SecondStepOff(string userName) => VerbException.Report(() => Connections.AsOwner(async database =>
    {
        var works = await database.BeforeSchool(connection => People.FindByName(connection, People.Normalized(userName)));
        if (works.Count == 0) throw new VerbException($"Nobody signs in as “{userName}”.");
        var now = DateTime.UtcNow;
        var turned = false;
        foreach (var (school, id) in works)
        {
            await database.InSchool(school, async connection =>
            {
                turned |= await People.TurnSecondStepOff(connection, id, null, now);
                if (!turned) return;
                await Sessions.EndOf(connection, id, now);
                await DoorTries.ForgetAll(connection, userName);
                await Audit.Note(connection, null, AuditKinds.SecondFactorOff, now, whom: id);
            });
        }
        Console.WriteLine(turned ? $"The second step of {userName} is off. They are told so when they next sign in."
            : $"{userName} has no second step.");
        return works[0].Person;
    }));

    public static Task<int> LetIn(string userName, string? address) => VerbException.Report(() => Connections.AsOwner(async database =>
    {
        if (await database.BeforeSchool(connection => People.FindByName(connection, People.Normalized(userName))) is not [var (school, id),
            ..])
            throw new VerbException($"Nobody signs in as “{userName}”.");
        var now = DateTime.UtcNow;
        var link = await database.InSchool(school, async connection =>
        {
            var person = (await People.Find(connection, id))!;
            await Audit.Note(connection, null, AuditKinds.LetIn, now, whom: id);
            return await Invitations.Make(connection, id, person.DisplayName, person.Role, person.InCharge, null, now);
        });
        Console.WriteLine($"{address?.TrimEnd('/') ?? "https://(the site)"}/welcome/{link}");
        await Console.Error.WriteLineAsync(
            $"Hand this link to {userName}: for a day it opens once, for a new password. A second step stays on: --second-step turns it "
                + $"off.");
        return id;
    }));

    private static async Task Add(
        SchoolConnection connection, string userName, string display, string password, PersonRole role, bool inCharge)
    {
        var person = await People.TryAdd(connection, userName, display, Hash(password), role, inCharge)
            ?? throw new VerbException($"Somebody signs in as “{userName}” already. Nothing was added.");
        await Audit.Note(connection, null, AuditKinds.Joined, DateTime.UtcNow, whom: person.Id);
    }

    private static string Hash(string password) =>
        new PasswordHasher<Person>(Options.Create(new PasswordHasherOptions { IterationCount = Person.PasswordRounds })).HashPassword(
            new Person(), password);

    private static string MadePassword() =>
        string.Join('-', Enumerable.Range(0, 4).Select(_ => RandomNumberGenerator.GetString(Readable, 5)));

    private static void Tell(string what, string userName, string password)
    {
        Console.WriteLine(what);
        Console.WriteLine($"User name: {userName}");
        Console.WriteLine($"Password:  {password}");
        Console.Error.WriteLine("The password is shown only now. Change it on the page under your name once you are in.");
    }

    private static string AskName(string? given) =>
        Ask("The teacher's name, as colleagues know it", given,
            name => name.Length is > 0 and <= Person.LongestName ? null : $"A name has 1 to {Person.LongestName} letters.");

    private static string AskUserName(string? given) => Ask("What they sign in with, such as a mail address", given, UserNames.Fault);

    /// <summary>What was given as an option, or what is typed; asked again until nothing is wrong with it.</summary>
    private static string Ask(string question, string? given, Func<string, string?> fault)
    {
        if (given is not null) return fault(given.Trim()) is { } wrong ? throw new VerbException(wrong) : given.Trim();
        while (true)
        {
            Console.Error.Write($"{question}: ");
            var typed = (Console.ReadLine() ?? throw new VerbException("Nothing was typed, and nothing was made.")).Trim();
            if (fault(typed) is not { } wrong) return typed;
            Console.Error.WriteLine(wrong);
        }
    }
}
