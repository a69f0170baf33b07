using Umbick.Core.Diagnosis;
using Umbick.Core.Patterns;
using Umbick.Core.Practice;
using Umbick.Core.Progress;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>
/// What is charted and decided from: cold starts and check forms. How each answer came out is kept with the sitting, so that a whole
/// caseload is told without reading every answer; it is computed again where an answer was put right, or by a new version of the model.
/// </summary>
/// <param name="Colds">The cold starts, the earliest first.</param>
/// <param name="Checks">The check forms, the earliest first.</param>
public sealed record Measures(IReadOnlyList<(Pattern Pattern, ColdResult Result)> Colds, IReadOnlyList<CheckHeld> Checks)
{
    private const string BySetting = " by setting";

    /// <summary>The answers of a cold start that tell.</summary>
    public static IReadOnlyList<ItemResponse> Telling(SittingRecord cold) =>
        [.. cold.Scored.Where(question => ColdStart.IsTelling(question.Asked.Place, cold.Sitting.Length))];

    /// <summary>The measures among some sittings, the earliest first.</summary>
    public static Measures From(ReadingModel model, IEnumerable<SittingRecord> sittings) =>
        From(sittings.Where(sitting => sitting.Sitting.EndedAt is not null)
            .Select(sitting => (sitting.Sitting, Outcomes: OutcomesOf(model, sitting))));

    /// <summary>The measures of some children.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="model">The model.</param>
    /// <param name="preferences">How clocks are taught to each child.</param>
    /// <param name="asKept">Of whom what is kept is told, also where it is of an earlier version; null: of nobody.</param>
    public static async Task<IReadOnlyDictionary<ChildId, Measures>> Load(
        SchoolConnection connection, ReadingModel model, IReadOnlyDictionary<ChildId, TeachingPreferences> preferences,
        Func<ChildId, bool>? asKept = null)
    {
        var measures = await Sittings.Measures(connection, preferences.Keys);
        var stale = measures.Where(sitting => sitting.OutcomesFrom != SourceOf(sitting, preferences)
            && (sitting.Outcomes is null || asKept?.Invoke(sitting.Child) != true)).ToList();
        var anew = new Dictionary<SittingId, IReadOnlyList<ColdAnswer>>();
        if (stale.Count > 0)
        {
            var (asked, answers) = await Sittings.RowsIn(connection, stale.Select(sitting => sitting.Id));
            foreach (var each in stale)
            {
                anew[each.Id] = OutcomesOf(model, ChildRecord.SittingFrom(each, asked[each.Id], answers[each.Id], preferences[each.Child]));
                await Sittings.KeepOutcomes(connection, each.Id, anew[each.Id].Select(Written), SourceOf(each, preferences));
            }
        }
        var byChild = measures.ToLookup(sitting => sitting.Child,
            sitting => (Sitting: sitting, Outcomes: anew.GetValueOrDefault(sitting.Id) ?? [.. sitting.Outcomes!.Select(Read)]));
        return preferences.Keys.ToDictionary(child => child, child => From(byChild[child]));
    }

    private static Measures From(IEnumerable<(Sitting Sitting, IReadOnlyList<ColdAnswer> Outcomes)> measures)
    {
        var held = measures.Where(measure => measure.Outcomes.Count > 0).ToList();
        return new Measures(
            [
                .. from each in held
                   let pattern = each.Sitting.Plan == Plan.ColdStart ? Catalogue.Find(each.Sitting.ColdFor) : null
                   where pattern is not null
                   select (pattern, new ColdResult(each.Sitting.Id, each.Sitting.Day!.Value, each.Outcomes)),
            ],
            [
                .. from known in held
                   where known.Sitting is { Form: not null, Screening: null }
                   select new CheckHeld(known.Sitting.Form!, known.Sitting.Day!.Value,
                       known.Outcomes.Count(answer => answer.Outcome == TellingOutcome.Right), known.Outcomes.Count,
                       known.Sitting.ExpectedRight),
            ]);
    }

    /// <summary>How the answers of a measure came out: those of a cold start that tell, all of a form; none of any other sitting.</summary>
    private static IReadOnlyList<ColdAnswer> OutcomesOf(ReadingModel model, SittingRecord sitting) => sitting.Sitting switch
    {
        { Plan: Plan.ColdStart } when Catalogue.Find(sitting.Sitting.ColdFor) is { } pattern =>
            [.. Telling(sitting).Select(question => ColdAnswer.From(model, pattern, ChildRecord.AsGiven(question), question.IsRight))],
        { Form: not null } => [.. sitting.Scored.Select(question =>
            new ColdAnswer(question.IsRight ? TellingOutcome.Right : TellingOutcome.Otherwise))],
        _ => [],
    };

    private static string SourceOf(Sitting measure, IReadOnlyDictionary<ChildId, TeachingPreferences> preferences) =>
        $"{ReadingModel.Version} {preferences[measure.Child].ReadBy} {measure.LatestAnswer}";

    private static string Written(ColdAnswer answer) => $"{answer.Outcome}{(answer.BySetting ? BySetting : "")}";

    private static ColdAnswer Read(string text) =>
        new(Enum.Parse<TellingOutcome>(text.Split(' ')[0]), text.EndsWith(BySetting, StringComparison.Ordinal));
}
