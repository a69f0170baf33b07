using Umbick.Core.Progress;
using System.Net;
using System.Text;
using System.Text.Json;
using Umbick.Core.Clocks;
using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Casework.Files;

namespace Umbick.Cli;

/// <summary><c>./umbick diagnose FILE</c>: what the answers in a file say, child by child.</summary>
internal static class Diagnose
{
    public static async Task<int> Run(string path, bool html, bool dryRun)
    {
        if (!File.Exists(path))
        {
            await Console.Error.WriteLineAsync($"There is no file “{path}”.");
            return 2;
        }
        await using var file = File.OpenRead(path);
        var (lines, errors) = AnswersFile.Read(file);
        foreach (var error in errors) await Console.Error.WriteLineAsync(error.ToString());
        if (errors.Count > 0)
        {
            await Console.Error.WriteLineAsync("Nothing was taken from the file.");
            return 1;
        }
        if (dryRun)
        {
            Console.WriteLine($"{lines.Count} answers of {lines.Select(line => line.Child).Distinct().Count()} children can be read.");
            return 0;
        }
        var model = new ReadingModel();
        var children = lines.GroupBy(line => line.Child).Select(child => From(model, child.Key, [.. child])).ToList();
        Console.OutputEncoding = new UTF8Encoding(false);
        Console.WriteLine(html ? Page(children)
            : JsonSerializer.Serialize(new DiagnosisJson.Diagnosis(ReadingModel.Version, [.. children.Select(child => child.Found)]),
            DiagnosisJson.Options));
        return 0;
    }

    private static (DiagnosisJson.ChildFinding Found, CaseSummary Summary) From(
        ReadingModel model, string child, IReadOnlyList<AnswerLine> lines)
    {
        var sittings = lines.GroupBy(line => line.Day).OrderBy(day => day.Key).ToList();
        var replay = Replay.Run(model, [.. sittings.Select(day => new SittingAnswers(day.Key, [.. day.Select(line => line.Given)], []))]);
        return (DiagnosisJson.From(child, replay.Now, [.. sittings.SelectMany(day => day).Select(line => line.Given)]),
            CaseSummary.OfAnswers(model, child, replay, sittings[^1].Key));
    }

    private static string Page(IEnumerable<(DiagnosisJson.ChildFinding Found, CaseSummary Summary)> children)
    {
        var page = new StringBuilder(
            "<!doctype html><html lang=\"en-GB\"><meta charset=\"utf-8\"><title>What the answers say</title><h1>What the answers say</h1>");
        foreach (var (child, summary) in children)
        {
            page.Append($"<h2>{Encoded(child.Child)}</h2><p>{child.Answers} answers. {Encoded(summary.InALine)}</p>");
            var shown = child.Patterns.Where(finding => finding.Label != "unlikely").ToList();
            page.Append("<ul>");
            foreach (var finding in shown)
                page.Append($"<li>{Encoded(InWords(finding, child.Child))} <b>{finding.Label}</b>: {finding.ItsWay} of {finding.Telling} "
                    + $"telling answers its way, {finding.Right} right.{Encoded(Shown(child, finding))}</li>");
            page.Append("</ul>");
            if (child.Unexplained.Count > 0) page.Append($"<p>Nothing explains answer {string.Join(", ", child.Unexplained)}.</p>");
        }
        return page.Append("</html>").ToString();
    }

    private static string InWords(DiagnosisJson.PatternFinding finding, string child) => Catalogue.Find(finding.Pattern) is { } pattern
        ? pattern.TextsIn(Wording.Usual).FindingOf(child)
        : $"{finding.Step.Replace('-', ' ')}: taken some other way. Look at these answers.";

    private static string Shown(DiagnosisJson.ChildFinding child, DiagnosisJson.PatternFinding finding) =>
        child.OtherWays.FirstOrDefault(other => other.Pattern == finding.Pattern) is { Answers.Count: > 0 } other
            ? $" Answers {string.Join(", ", other.Answers)}." : "";

    private static string Encoded(string text) => WebUtility.HtmlEncode(text);
}
