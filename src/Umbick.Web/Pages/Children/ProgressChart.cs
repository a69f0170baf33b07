using Umbick.Core;
using System.Globalization;
using Umbick.Casework;
using Umbick.Core.Items;
using Umbick.Core.Patterns;
using Umbick.Core.Progress;

namespace Umbick.Web.Pages.Children;

/// <summary>Where everything of a child's progress stands on one axis of time.</summary>
public sealed class ProgressChart(ProgressRecord record, Pattern? pattern)
{
    /// <summary>The width of the drawing, and where its axis begins and ends.</summary>
    public const int Width = 1000, Left = 236, Right = 984;

    /// <summary>The most patterns whose belief is drawn.</summary>
    private const int MostPatterns = 4;

    private const int MonthWidth = 48;

    public ProgressRecord Record => record;

    /// <summary>The cold starts of the pattern that is told of.</summary>
    public IReadOnlyList<ColdResult> Colds => pattern is null ? []
        : [.. record.Work.CourseOf(pattern).Colds.Where(cold => cold.Day >= record.From)];

    /// <summary>The decisions on it that stand.</summary>
    public IReadOnlyList<DecisionRow> Decisions => pattern is null ? []
        : [.. record.Work.DecisionsInForce(pattern).Where(decision => decision.Day >= record.From)];

    public IReadOnlyList<CheckHeld> Checks => [.. record.Work.Checks.Where(check => check.Day >= record.From)];

    /// <summary>Whether nothing was measured yet that a course could be seen in: neither a cold start nor a form.</summary>
    public bool IsBeforeFirst => record.Work.Courses.Values.All(course => course.Colds.Count == 0) && Checks.Count == 0;

    /// <summary>The patterns whose belief is drawn, the one that is told of first.</summary>
    public IReadOnlyList<Pattern> Patterns { get; } =
    [
        .. record.Beliefs.SelectMany(after => after.Beliefs).Where(belief => belief.Value >= ModelParameters.PossibleFrom)
            .GroupBy(belief => belief.Key)
            .OrderByDescending(belief => belief.Key == pattern).ThenByDescending(each => each.Max(belief => belief.Value))
            .Select(belief => belief.Key).Take(MostPatterns),
    ];

    /// <summary>The slowest of the days' medians, in whole fives of seconds, 10 or more.</summary>
    public int MostSeconds { get; } =
        Math.Max(10, (int)Math.Ceiling(record.Fluency.Select(day => day.Seconds).DefaultIfEmpty().Max() / 5) * 5);

    /// <summary>Where a day stands.</summary>
    public string X(DateOnly day) => Text(At(day));

    /// <summary>The first days of months on the axis, but for those too near its ends.</summary>
    public IReadOnlyList<DateOnly> Months
    {
        get
        {
            var months = new List<DateOnly>();
            for (var month = new DateOnly(record.From.Year, record.From.Month, 1).AddMonths(1); month <= record.To; month =
                month.AddMonths(1))
            {
                if (At(month) - Left > MonthWidth && Right - At(month) > MonthWidth) months.Add(month);
            }

            return months;
        }
    }

    /// <summary>The height of a bar for a help: the more help the taller.</summary>
    public static int HeightOf(Support support) => support switch { Support.Full => 22, Support.Most => 16, Support.Some => 10, _ => 4 };

    /// <summary>A length as it stands in a drawing.</summary>
    public static string Text(double length) => length.ToString("0.#", CultureInfo.InvariantCulture);

    private double At(DateOnly day)
    {
        var days = record.To.DayNumber - record.From.DayNumber;
        return days == 0 ? (Left + Right) / 2.0 : Left + ((Right - Left) * (day.DayNumber - record.From.DayNumber) / (double)days);
    }
}
