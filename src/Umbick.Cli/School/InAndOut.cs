using System.Diagnostics;
using System.Text;
using Umbick.Casework.Files;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary><c>import</c> and <c>export</c>: answers and children as CSV. What a file holds is told by its first line.</summary>
internal static class InAndOut
{
    public static async Task<int> Import(string path, string? school, bool dryRun, bool onCaseload)
    {
        var code = 0;
        var told = await VerbException.Report(() => Connections.AsOwner(async database =>
        {
            if (!File.Exists(path)) throw new VerbException($"There is no file “{path}”.");
            var found = await Connections.School(database, school);
            var clock = Stopwatch.StartNew();
            var (what, report) = await Run(database, found, path, dryRun, onCaseload);
            foreach (var error in report.Errors) await Console.Error.WriteLineAsync(error.ToString());
            if (report.Errors.Count > 0)
            {
                await Console.Error.WriteLineAsync("Nothing was taken from the file.");
                code = 1;
                return report;
            }
            Console.WriteLine(report.InWords(what, dryRun));
            await Console.Error.WriteLineAsync(
                $"{found.Name}, {clock.Elapsed.TotalSeconds:0.0} s, {Environment.WorkingSet / 1_000_000} MB.");
            return report;
        }));
        return told == 0 ? code : told;
    }

    public static Task<int> Export(string what, string? school) => VerbException.Report(() => Connections.AsOwner(async database =>
    {
        var found = await Connections.School(database, school);
        await using var output = new StreamWriter(Console.OpenStandardOutput(), new UTF8Encoding(false));
        var count = await database.InSchool(found.Id, async connection =>
        {
            var written = what == "children" ? await ChildrenFile.Write(connection, output) : await AnswersExport.Write(connection, output);
            await Audit.Note(connection, null, AuditKinds.Exported, DateTime.UtcNow, detail: $"{written} {what}");
            return written;
        });
        await output.FlushAsync();
        await Console.Error.WriteLineAsync($"{found.Name}: {count:N0} {what}.");
        return count;
    }));

    private static async Task<(string What, ImportReport Report)> Run(
        Database database, Rows.School school, string path, bool dryRun, bool onCaseload)
    {
        await using var file = File.OpenRead(path);
        if (FileKind.IsOfAnswers(file))
        {
            var (lines, errors) = AnswersFile.Read(file);
            if (errors.Count > 0) return ("answers", ImportReport.Refused(errors));
            return ("answers", await database.InSchool(school.Id,
                connection => AnswersImport.Run(connection, lines, null, onCaseload, dryRun, DateTime.UtcNow, new Told(lines.Count))));
        }
        var (children, wrong) = ChildrenFile.Read(file);
        if (wrong.Count > 0) return ("lines", ImportReport.Refused(wrong));
        return ("lines", await database.InSchool(school.Id,
            connection => ChildrenFile.Run(connection, children, null, dryRun, DateTime.UtcNow)));
    }

    /// <summary>Tells how far it is, on a terminal in place.</summary>
    private sealed class Told(int all) : IProgress<int>
    {
        public void Report(int value)
        {
            if (!Console.IsErrorRedirected) Console.Error.Write($"\r{value:N0} of {all:N0}{(value == all ? "\n" : "")}");
        }
    }
}
