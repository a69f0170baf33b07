using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// How cold starts came out. What each answer was is kept with its sitting, so that a whole caseload is told without reading every answer; it is
/// reckoned anew where an answer was put right, or by a new version of the model.
/// </summary>
public static class ColdResults
{
    private const string BySetting = " by setting";

    /// <summary>How a cold start came out; null where nothing that tells was answered in it, or a later catalogue has dropped its pattern.</summary>
    public static ColdResult? Of(ReadingModel model, SittingRecord cold)
    {
        if (Catalogue.Find(cold.Sitting.ColdFor) is not { } pattern) return null;
        var telling = Telling(cold).Select(question => ColdAnswer.Of(model, pattern, ChildRecord.AsGiven(question), question.IsRight)).ToList();
        return telling.Count == 0 ? null : new ColdResult(cold.Sitting.Id.Value, cold.Day, telling);
    }

    /// <summary>The cold starts of some children that are over, each child's the earliest first.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="measures">The children's sittings, in the order in which they were held.</param>
    /// <param name="preferencesOf">How clocks are taught to a child.</param>
    public static async Task<ILookup<ChildId, (Pattern Pattern, ColdResult Result)>> Load(
        SchoolConnection connection, ReadingModel model, IReadOnlyList<Sitting> measures, Func<ChildId, TeachingPreferences> preferencesOf)
    {
        var colds = measures.Where(sitting => sitting.Plan == Plan.ColdStart && Catalogue.Find(sitting.ColdFor) is not null).ToList();
        var latest = await Sittings.LatestIn(connection, colds.Select(cold => cold.Id));
        var stale = colds.Where(cold => cold.ColdFrom != SourceOf(cold, latest[cold.Id], preferencesOf(cold.Child))).ToList();
        var anew = new Dictionary<SittingId, ColdResult?>();
        if (stale.Count > 0)
        {
            var (asked, answers) = await Sittings.RowsIn(connection, stale.Select(cold => cold.Id));
            foreach (var cold in stale)
            {
                var preferences = preferencesOf(cold.Child);
                var result = Of(model, ChildRecord.Of(cold, asked[cold.Id], answers[cold.Id], preferences));
                anew[cold.Id] = result;
                await Sittings.KeepCold(connection, cold.Id, (result?.Telling ?? []).Select(Written), SourceOf(cold, latest[cold.Id], preferences));
            }
        }
        return (from cold in colds
                let result = anew.TryGetValue(cold.Id, out var reckoned) ? reckoned : Kept(cold)
                where result is not null
                select (cold.Child, Pattern: Catalogue.Find(cold.ColdFor)!, Result: result)).ToLookup(one => one.Child, one => (one.Pattern, one.Result));
    }

    /// <summary>The answers of a cold start that tell.</summary>
    public static IReadOnlyList<ItemResponse> Telling(SittingRecord cold) => [.. cold.Answered.Where(question => ColdStart.IsTelling(question.Asked.Place, cold.Sitting.Length))];

    private static ColdResult? Kept(Sitting cold) =>
        cold is { ColdOutcomes.Length: > 0, Day: { } day } ? new ColdResult(cold.Id.Value, day, [.. cold.ColdOutcomes.Select(Read)]) : null;

    private static string SourceOf(Sitting cold, long latestAnswer, TeachingPreferences preferences) => $"{ReadingModel.Version} {preferences.Nearness} {latestAnswer}";

    private static string Written(ColdAnswer answer) => $"{answer.Outcome}{(answer.BySetting ? BySetting : "")}";

    private static ColdAnswer Read(string text) =>
        new(Enum.Parse<TellingOutcome>(text.Split(' ')[0]), text.EndsWith(BySetting, StringComparison.Ordinal));
}
