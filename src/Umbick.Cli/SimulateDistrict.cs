using System.Diagnostics;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Umbick.Core.Diagnosis;
using Umbick.Demo;
using Umbick.Store;

namespace Umbick.Cli;

/// <summary><c>simulate --district</c>: fills a private database with a district, to try how it behaves with that much in it.</summary>
internal static class SimulateDistrict
{
    private const int Seed = 1;

    /// <summary>Everybody knows it: it is on a private database of made-up children alone.</summary>
    public const string Password = "lamp on the harbour wall";

    public static Task<int> Run(int? schools, int? children, int? answers, CancellationToken cancel) => School.VerbException.Report(() =>
        School.Connections.AsOwner(async owner =>
        {
            if ((await owner.BeforeSchool(Schools.All, cancel)).Count > 0)
                throw new School.VerbException("This database holds schools already: a district is made in an empty one.");
            var (all, whole) = (schools ?? District.UsualSchools, Stopwatch.StartNew());
            var hash = new PasswordHasher<Person>(Options.Create(new PasswordHasherOptions { IterationCount = Person.PasswordRounds }))
                .HashPassword(new Person(), Password);
            await new District(new ReadingModel(), DateTime.UtcNow, Seed).Fill(owner, all, children ?? District.UsualChildren,
                answers ?? District.UsualAnswers, hash,
                done =>
                {
                    if (done % 10 != 0 && done != all) return;
                    Console.Error.WriteLine($"{done} of {all} schools, {whole.Elapsed.TotalSeconds:0} s");
                }, cancel);
            return all;
        }));
}
