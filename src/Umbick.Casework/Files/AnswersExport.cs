using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Umbick.Core.Clocks;
using Umbick.Store;

namespace Umbick.Casework.Files;

/// <summary>Writes every answer of a school that stands as CSV, in the form that <see cref="AnswersFile"/> reads.</summary>
public static class AnswersExport
{
    private static readonly string[] Heads = ["child", "date", "task", "given", "answer", "choices", "mode", "seconds", "support",
        "prompted", "first", "note", "sitting", "kind", "by"];

    /// <summary>Writes them.</summary>
    /// <returns>How many there are.</returns>
    public static async Task<int> Write(SchoolConnection connection, TextWriter to)
    {
        await using var csv = new CsvWriter(to, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\n" }, leaveOpen: true);
        foreach (var head in Heads) csv.WriteField(head);
        await csv.NextRecordAsync();
        var count = 0;
        var numbers = new Dictionary<(string Alias, DateOnly Day), int>();
        foreach (var child in await Children.Aliases(connection))
        {
            var sittings = await Sittings.OfChild(connection, child.Id);
            var (asked, answers) = await Sittings.RowsIn(connection, sittings.Select(sitting => sitting.Id));
            foreach (var sitting in sittings.Where(sitting => sitting.Day is not null))
            {
                var number = numbers[(child.Alias, sitting.Day!.Value)] = numbers.GetValueOrDefault((child.Alias, sitting.Day.Value)) + 1;
                foreach (var item in asked[sitting.Id])
                {
                    if (!item.Item.IsReadable
                        || answers[sitting.Id].FirstOrDefault(each => each.Place == item.Place && each.Try == 1) is not { } answer)
                        continue;
                    foreach (var cell in Cells(child.Alias, sitting, number, item, answer)) csv.WriteField(SpreadsheetText.Write(cell));
                    await csv.NextRecordAsync();
                    count++;
                }
            }
        }
        await csv.FlushAsync();
        return count;
    }

    private static string[] Cells(string alias, Sitting sitting, int number, AskedItem asked, AnswerRow answer) =>
    [
        alias,
        sitting.PaperDay is { } day ? day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)
            : answer.GivenAt.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture),
        asked.Item.Task.Id,
        asked.Item.Move == 0 ? asked.Item.Given : $"{asked.Item.Time} {asked.Item.Move}",
        answer.Raw,
        string.Join(';', asked.Item.Claim is { } claim ? [claim.Short(Wording.Usual)]
            : asked.Item.Clocks.Count > 0 ? asked.Item.Clocks.Select(clock => clock.ToString())
            : asked.Item.Choices.Select(choice => choice.Short(Wording.Usual))),
        answer.AnswerMode.ToString().ToLowerInvariant(),
        answer.Seconds is { } seconds ? seconds.ToString("0.#", CultureInfo.InvariantCulture) : "",
        asked.Support.ToString().ToLowerInvariant(),
        answer.Prompted ? "yes" : "",
        answer.FirstRaw ?? "",
        answer.How ?? "",
        number.ToString(CultureInfo.InvariantCulture),
        SittingOfFile.Write(sitting),
        answer.By is null ? "child" : "teacher",
    ];
}
