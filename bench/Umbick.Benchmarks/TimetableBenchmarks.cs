using BenchmarkDotNet.Attributes;
using Umbick.Core.Timetabling;

namespace Umbick.Benchmarks;

/// <summary>A week filled: sixty children, sixty slots, two jobs each.</summary>
[MemoryDiagnoser]
public class TimetableBenchmarks
{
    private static readonly DateOnly Monday = new(2026, 3, 2);
    private Timetable _timetable = null!;
    private IReadOnlyList<Attendee> _attendees = [];

    [GlobalSetup]
    public void Prepare()
    {
        var random = new Random(1);
        var children = Enumerable.Range(0, 60).Select(_ => Guid.NewGuid()).ToList();
        string[] classes = ["Tide", "Lamp", "Ferry"];
        _timetable = new Timetable(
            SchoolYear.Plain,
            [.. Enumerable.Range(0, 60)
                .Select(i => new Slot(Guid.NewGuid(), (DayOfWeek)(1 + (i % 5)), new TimeOnly(9, 0).AddMinutes(i / 5 * 15), Slot.Usual,
                [.. children.OrderBy(_ => random.Next()).Take(i % 4)]))],
            [.. classes.Select((name, i) => new BarredTime(name, (DayOfWeek)(1 + i), new TimeOnly(10, 0), new TimeOnly(11, 0), ""))],
            [.. children.Where((_, i) => i % 7 == 0).Select(child => new Absence(child, Monday.AddDays(random.Next(5))))],
            []);
        _attendees = [.. children.Select((child, i) =>
            new Attendee(child, classes[i % 3],
                [new Job("look", child, JobNeed.Due, Monday.AddDays(random.Next(-5, 5)), 4),
                    new Job("visit", child, JobNeed.Regular, Monday, 12)]))];
    }

    [Benchmark(Description = "a week of sixty children")]
    public object Fill() => _timetable.Fill(_attendees, Monday, Monday.AddDays(4));
}
