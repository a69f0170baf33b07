using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Npgsql;
using Umbick.Core.Diagnosis;
using Umbick.Store;
using Umbick.Casework.Accounts;
using Umbick.Casework.Running;
using Umbick.Demo;

namespace Umbick.Cli;

/// <summary>Brings a database up to date and, for the demonstration, fills it. Runs as the owner.</summary>
internal static class Prepare
{
    public static async Task<int> Run(bool demo, bool mend)
    {
        var owner = Environment.GetEnvironmentVariable("UMBICK_OWNER");
        if (owner is null)
        {
            await Console.Error.WriteLineAsync("UMBICK_OWNER, the owner's connection, is not set. Start this through ./umbick.");
            return 2;
        }
        return await School.VerbException.Report(async () =>
        {
            owner = DatabaseHosts.WrittenTo(owner);
            if (Migrator.Pending(owner).Count > 0 && await Migrator.Sites(owner) is > 0 and var sites)
                throw new School.VerbException(
                    $"{(sites == 1 ? "A site runs" : $"{sites} sites run")} on this database. Stop {(sites == 1 ? "it" : "them all")} first, "
                        + $"then upgrade, then start {(sites == 1 ? "it" : "them")} anew: a site and a database of two versions do not "
                        + $"go together. Nothing was changed.");
            Migrator.Migrate(owner, mend);
            if (demo) await FillDemo(owner);
        });
    }

    public static void PrintSignIn() =>
        Console.WriteLine($"{DemoSignIn.UserName} (a teacher, in charge) or {DemoSignIn.AssistantUserName} (an assistant) with the "
            + $"password “{DemoSignIn.Password}”");

    private static async Task FillDemo(string connectionString)
    {
        await using var source = NpgsqlDataSource.Create(connectionString);
        var database = new Database(source);
        if (await database.IsDemo()) return;
        if ((await database.BeforeSchool(Schools.All)).FirstOrDefault(school => school.Id != DemoSchool.Id) is { } real)
            throw new School.VerbException(
                $"This database holds a real school, {real.Name}. The demonstration needs a database of its own.");
        Console.WriteLine("Making demonstration data");
        // The mark comes last: what a run that was stopped half-way left is made again.
        await new DemoSchool(new ReadingModel(), AheadClock.FromEnvironment().GetUtcNow()).Fill(database,
            new PasswordHasher<Person>(Options.Create(new PasswordHasherOptions { IterationCount = Person.PasswordRounds })).HashPassword(
                new Person(), DemoSignIn.Password));
        await using (var mark =
            source.CreateCommand($"comment on database umbick is '{Database.DemoMark}'")) await mark.ExecuteNonQueryAsync();
    }
}
