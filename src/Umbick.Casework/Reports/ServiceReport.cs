using System.Globalization;
using CsvHelper;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Progress;
using Umbick.Core.Reports;
using Umbick.Core.Timetabling;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What a school's service did in a term.</summary>
public static class ServiceReport
{
    /// <summary>Loads it.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="model">The model.</param>
    /// <param name="term">The term.</param>
    public static async Task<ServiceTerm> Load(SchoolConnection connection, ReadingModel model, SchoolTerm term)
    {
        var (seen, sessions) = await SeenRows.Count(connection, term.First, term.Last);
        var practice = new List<TermPractice>();
        foreach (var child in await Caseload.Load(connection, model))
        {
            foreach (var (pattern, course) in child.Work.Courses)
            {
                if (course.Practised is not { } done || done.First > term.Last || done.Last < term.First) continue;
                var end = child.Work.DecisionsInForce(pattern).FirstOrDefault(decision =>
                    decision is { Kind: DecisionKind.FinishPattern, Taken: true }
                    && decision.Day >= term.First && decision.Day <= term.Last)?.Day;
                practice.Add(new TermPractice(child.Child.Id, pattern,
                    end is { } day ? course.Colds.Where(cold => cold.Day <= day).DistinctBy(cold => cold.Day).Count() : null));
            }
        }
        return ServiceTerm.From(seen, sessions, practice);
    }

    /// <summary>It as a file; what is withheld is an empty field.</summary>
    public static string Write(ServiceTerm term)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var name in new[] { "what", "children", "finished", "visits" }) csv.WriteField(name);
            csv.NextRecord();
            csv.WriteField("seen");
            csv.WriteField(term.Seen);
            csv.WriteField("");
            csv.WriteField(term.Sessions);
            csv.NextRecord();
            foreach (var row in term.Rows)
            {
                csv.WriteField(string.Join("; ", row.Patterns.Select(pattern => pattern.TextsIn(Wording.Usual).Name)));
                csv.WriteField(row.Practised);
                csv.WriteField(row.Finished);
                csv.WriteField(row.Visits);
                csv.NextRecord();
            }
        }
        return text.ToString();
    }
}
