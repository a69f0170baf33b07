using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Umbick.Core.Items;
using Umbick.Store;

namespace Umbick.Casework.Files;

/// <summary>
/// Takes the answers of a file into a school: whole or not at all. Lines of one child, day and <c>sitting</c> are one sitting. What is
/// there already, from the same file or from asking, is not added again.
/// </summary>
public sealed class AnswersImport
{
    private const int AtOnce = 5000;

    private readonly SchoolConnection _connection;
    private readonly DateTime _now;
    private readonly PersonId? _by;
    private readonly TimeZoneInfo _zone;

    private AnswersImport(SchoolConnection connection, PersonId? by, DateTime now, TimeZoneInfo zone) => (_connection, _by, _now, _zone) =
        (connection, by, now, zone);

    /// <summary>The lines of one sitting, in order.</summary>
    private sealed record Group(ChildId Child, DateOnly Day, SittingId Id, Stage Stage, IReadOnlyList<AnswerLine> Lines)
    {
        public string Signature =>
            string.Join('\n', Lines.Select(line => SignatureOf(line.Given.Item.Task.Id, line.Given.Item.Time.ToString(), line.Raw)));
    }

    /// <summary>Takes lines in.</summary>
    /// <param name="connection">The school.</param>
    /// <param name="lines">The lines of the file.</param>
    /// <param name="by">Who does it; null on the command line.</param>
    /// <param name="onCaseload">Whether children who are new to the school go on the caseload.</param>
    /// <param name="dryRun">Whether it only says what would be added.</param>
    /// <param name="now">The present.</param>
    /// <param name="progress">Told how many lines are done.</param>
    public static async Task<ImportReport> Run(
        SchoolConnection connection, IReadOnlyList<AnswerLine> lines, PersonId? by, bool onCaseload, bool dryRun, DateTime now,
        IProgress<int>? progress = null)
    {
        var zone = TimeZoneInfo.FindSystemTimeZoneById(await Schools.Zone(connection));
        return await new AnswersImport(connection, by, now, zone).Run(lines, onCaseload, dryRun, progress);
    }

    private async Task<ImportReport> Run(IReadOnlyList<AnswerLine> lines, bool onCaseload, bool dryRun, IProgress<int>? progress)
    {
        var (children, newcomers) = await Known(lines);
        var groups = Grouped(lines, children);
        var ids = groups.Select(group => group.Id).ToList();
        var before = await Before(children.Values.Select(child => child.Id), ids);
        var (added, errors) = (new List<Group>(), new List<FileError>());
        foreach (var group in groups)
        {
            if (before.Signatures.Contains((group.Child, group.Day, group.Signature))) continue;
            if (before.Ids.Contains(group.Id))
                errors.Add(new FileError(group.Lines[0].Line, 0,
                    $"{group.Lines[0].Child}’s sitting on {group.Day:yyyy-MM-dd} was read in before, with other answers. To add it as "
                        + $"another, give it a number of its own in the column sitting."));
            else added.Add(group);
        }
        if (errors.Count > 0) return ImportReport.Refused(errors);
        var count = added.Sum(group => group.Lines.Count);
        var report = new ImportReport(lines.Count, children.Count, newcomers, count, lines.Count - count, []);
        if (dryRun || count == 0) return report;
        await AddChildren(newcomers, children, onCaseload);
        await AddSittings(added);
        await AddAnswers(added, progress);
        await Audit.Note(_connection, _by, AuditKinds.Imported, _now,
            detail: string.Create(CultureInfo.InvariantCulture, $"{count} answers"));
        return report;
    }

    /// <summary>The children of the file, and the aliases that are new to the school.</summary>
    private async Task<(Dictionary<string, (ChildId Id, Stage Stage)> Children, List<string> Newcomers)> Known(
        IReadOnlyList<AnswerLine> lines)
    {
        var taught = new Dictionary<string, Stage>();
        foreach (var line in lines)
        {
            var stage = Later(Stages.FirstWith(line.Given.Item.Time.Minute), line.Given.Item.Task.From);
            taught[line.Child] = taught.TryGetValue(line.Child, out var before) ? Later(stage, before) : stage;
        }
        var known = await Children.StagesByAlias(_connection, taught.Keys);
        var newcomers = taught.Keys.Where(alias => !known.ContainsKey(alias)).ToList();
        return (taught.ToDictionary(pair => pair.Key,
            pair => known.TryGetValue(pair.Key, out var there) ? there : (ChildId.New(), pair.Value)), newcomers);

        static Stage Later(Stage each, Stage other) => (Stage)Math.Max((int)each, (int)other);
    }

    private List<Group> Grouped(IReadOnlyList<AnswerLine> lines, Dictionary<string, (ChildId Id, Stage Stage)> children) =>
    [
        .. from line in lines
           group line by (line.Child, Day: DayOf(line), line.Sitting, line.Kind) into sitting
           let child = children[sitting.Key.Child]
           select new Group(child.Id, sitting.Key.Day, IdOf(child.Id, sitting.Key.Day, sitting.Key.Sitting, sitting.Key.Kind), child.Stage,
               [.. sitting]),
    ];

    /// <summary>The day of a line where the school is.</summary>
    private DateOnly DayOf(AnswerLine line) => line.At is { } at ? DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(at, _zone))
        : line.Day;

    /// <summary>A sitting of a file has always the same id: read in twice, it is one.</summary>
    private SittingId IdOf(ChildId child, DateOnly day, string sitting, SittingOfFile kind)
    {
        var text = string.Create(CultureInfo.InvariantCulture, $"{_connection.School:N}/{child.Value:N}/{day:yyyy-MM-dd}/{sitting}/{kind}");
        var bytes = SHA256.HashData(Encoding.UTF8.GetBytes(text))[..16];
        // A name-based id, as the standard marks those of one's own making.
        (bytes[6], bytes[8]) = ((byte)((bytes[6] & 0x0f) | 0x80), (byte)((bytes[8] & 0x3f) | 0x80));
        return new SittingId(new Guid(bytes, bigEndian: true));
    }

    private async Task<(HashSet<SittingId> Ids, HashSet<(ChildId Child, DateOnly Day, string Signature)> Signatures)> Before(
        IEnumerable<ChildId> children, List<SittingId> ids)
    {
        var rows = await Sittings.Answered(_connection, children);
        var signatures = rows.GroupBy(row => (row.Sitting, row.Child, row.Day))
            .Select(sitting => (sitting.Key.Child, sitting.Key.Day,
            string.Join('\n', sitting.OrderBy(row => row.Place).Select(row => SignatureOf(row.Task, row.ClockTime, row.Raw)))));
        return ([.. await Sittings.Present(_connection, ids)], [.. signatures]);
    }

    private static string SignatureOf(string task, string time, string raw) => $"{task} {time} {raw}";

    private Task AddChildren(List<string> newcomers, Dictionary<string, (ChildId Id, Stage Stage)> children, bool onCaseload) =>
        newcomers.Count == 0
        ? Task.CompletedTask
        : Children.AddAll(_connection, [.. newcomers.Select(alias => new Child(children[alias].Id, alias, children[alias].Stage))], _now,
        onCaseload);

    private async Task AddSittings(List<Group> groups)
    {
        foreach (var some in groups.Chunk(AtOnce))
            await FiledRows.AddSittings(_connection, [.. some.Select(RowOf)]);
    }

    private FiledSitting RowOf(Group group)
    {
        var (first, kind) = (group.Lines[0], group.Lines[0].Kind);
        return new FiledSitting(
            group.Id, group.Child, kind.Kind, group.Stage, group.Lines.Count, MomentOf(first, group.Day),
            MomentOf(group.Lines[^1], group.Day),
            // Where the file has moments, the day follows from them.
            first.At is null ? group.Day : null, kind.Plan, first.ByChild ? DeliveryMode.OnChildsScreen : DeliveryMode.Conversation,
            kind.ColdFor, kind.Form);
    }

    private async Task AddAnswers(List<Group> groups, IProgress<int>? progress)
    {
        var done = 0;
        foreach (var some in groups.SelectMany(group => group.Lines.Select((line, i) => RowOf(group, line, i + 1))).Chunk(AtOnce))
        {
            await FiledRows.AddAnswers(_connection, some, _now);
            progress?.Report(done += some.Length);
        }
    }

    private FiledAnswer RowOf(Group group, AnswerLine line, int place)
    {
        var row = new AnswerRow
        {
            Sitting = group.Id,
            Place = place,
            Raw = line.Raw,
            Mode = line.Given.Mode.ToString().ToLowerInvariant(),
            Seconds = (float?)line.Seconds,
            FirstRaw = line.FirstRaw,
            Prompted = line.Prompted,
            How = line.Note,
            GivenAt = MomentOf(line, group.Day),
            // Only a teacher's short signs mean that an answer was right: whoever reads the file in answers for them.
            By = line.ByChild ? null : _by ?? default,
        };
        return new FiledAnswer(new AskedItem(place, line.Given.Item, line.Support, "From a file."), row);
    }

    private DateTime MomentOf(AnswerLine line, DateOnly day)
    {
        if (line.At is { } at) return at;
        var noon = DateTime.SpecifyKind(day.ToDateTime(new TimeOnly(12, 0)), DateTimeKind.Unspecified);
        return TimeZoneInfo.ConvertTimeToUtc(noon, _zone);
    }
}
