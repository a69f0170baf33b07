using Umbick.Casework.Files;
using Umbick.Core.Diagnosis;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Timetabling;
using Umbick.Simulation;
using Umbick.Store;

namespace Umbick.Demo;

/// <summary>
/// A district: many schools of made-up children, each with a year of sittings behind them, to try how a database behaves that holds them
/// all. Answers come in as files of answers do; what is concluded of them is worked out by the site, where anybody looks.
/// </summary>
/// <param name="model">The reading model.</param>
/// <param name="now">The present.</param>
/// <param name="seed">The same seed makes the same district.</param>
public sealed class District(ReadingModel model, DateTime now, int seed)
{
    /// <summary>How many schools, children and answers a district has, unless it is said otherwise.</summary>
    public const int UsualSchools = 300, UsualChildren = 20_000, UsualAnswers = 5_000_000;

    /// <summary>So many different years there are: children beyond them have one of these.</summary>
    private const int Years = 400;

    private const int AnswersOfSitting = 10;

    /// <summary>So many of a school's children are on the caseload; the others were screened, and finished.</summary>
    private const int OnCaseload = 60;

    private static readonly TimeSpan Year = TimeSpan.FromDays(300);

    /// <summary>The teacher of a school of the district, from 0.</summary>
    public static string TeacherOf(int school) => $"teacher-{school + 1}@district.example";

    /// <summary>Makes the district.</summary>
    /// <param name="owner">The database, as its owner.</param>
    /// <param name="schools">How many schools.</param>
    /// <param name="children">How many children in all.</param>
    /// <param name="answers">How many answers in all.</param>
    /// <param name="passwordHash">The password of the teachers, hashed.</param>
    /// <param name="told">Told how many schools are done.</param>
    /// <param name="cancel">Ends it.</param>
    public async Task Fill(
        Database owner, int schools, int children, int answers, string passwordHash, Action<int> told, CancellationToken cancel)
    {
        var sittings = Math.Max(1, answers / children / AnswersOfSitting);
        var years = Enumerable.Range(0, Math.Min(Years, children)).Select(child => YearOf(child, sittings)).ToList();
        var done = 0;
        await Parallel.ForEachAsync(Enumerable.Range(0, schools),
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount, CancellationToken = cancel },
            async (school, stop) =>
            {
                var count = ((school + 1) * children / schools) - (school * children / schools);
                await Add(owner, school, count, years, passwordHash, stop);
                told(Interlocked.Increment(ref done));
            });
    }

    private async Task Add(
        Database owner, int number, int children, IReadOnlyList<IReadOnlyList<Given>> years, string passwordHash, CancellationToken cancel)
    {
        var school = SchoolId.New();
        await owner.InSchool(school, async connection =>
        {
            await Schools.Add(connection, new School(school, $"School {number + 1}"));
            await People.Add(connection, TeacherOf(number), "Teacher", passwordHash);
            var first = number * children;
            foreach (var (of, isOnCaseload) in new[]
            {
                (Enumerable.Range(0, Math.Min(OnCaseload, children)), true),
                (Enumerable.Range(OnCaseload, Math.Max(0, children - OnCaseload)), false),
            })
            {
                var lines = of.SelectMany(child => years[(first + child) % years.Count].Select(given => (child, given)))
                    .Select((line, i) =>
                        new AnswerLine(i + 2, $"Child {line.child + 1}", line.given.Day, line.given.Answer, line.given.Raw))
                    .ToList();
                if (lines.Count > 0)
                    await AnswersImport.Run(connection, lines, null, onCaseload: isOnCaseload, dryRun: false, now);
            }
            // The slots of a term, four a day of one child each.
            var kept = (await Children.All(connection)).Take(20).ToList();
            foreach (var (child, i) in kept.Select((child, i) => (child, i)))
                await Timetables.AddSlot(connection, new Slot(SlotId.New(), (DayOfWeek)(1 + (i / 4)),
                    new TimeOnly(9, 0).AddMinutes(20 * (i % 4)), Slot.Usual, [child.Id]));
        }, cancel);
    }

    /// <summary>An answer of a year.</summary>
    private sealed record Given(DateOnly Day, ItemAnswer Answer, string Raw);

    /// <summary>A year in which one pattern is followed, and from its middle on another.</summary>
    private List<Given> YearOf(int child, int sittings)
    {
        var random = new Random(unchecked((seed * 100_003) + child));
        var patterns = Catalogue.All.Where(pattern => Steps.OfReading.Contains(pattern.Step)).ToList();
        var bank = ItemBank.ForSitting(Stage.FiveMinutesTo, ClockTasks.Plain);
        var given = new List<Given>();
        SimulatedChild? simulated = null;
        for (var sitting = 0; sitting < sittings; sitting++)
        {
            if (simulated is null || sitting == sittings / 2)
                simulated = new SimulatedChild(model, [patterns[random.Next(patterns.Count)]], 0.9, random);
            var day = DateOnly.FromDateTime(now - (Year * (sittings - sitting) / sittings));
            for (var answer = 0; answer < AnswersOfSitting; answer++)
            {
                var item = bank[random.Next(bank.Count)];
                var raw = simulated.Answer(item, item.Task.Taken);
                given.Add(new(day, new ItemAnswer(item, item.Read(raw), item.Task.Taken), raw));
            }
        }
        return given;
    }
}
