using Umbick.Core.Items;
using Umbick.Core.Practice;
using Umbick.Core.Teaching;
using Umbick.Store;

namespace Umbick.Casework;

/// <summary>A child in a visit, with what was asked and answered in it so far.</summary>
/// <param name="Child">The child.</param>
/// <param name="IsHere">Whether the child is there.</param>
/// <param name="Cold">The cold start.</param>
/// <param name="Practice">What is practised; null before.</param>
public sealed record ChildInVisit(CaseloadRow Child, bool IsHere, SittingRecord? Cold, SittingRecord? Practice)
{
    /// <summary>What the child read off the room's clock; null where nothing was noted.</summary>
    public RoomClockReading? RoomClock { get; init; }

    /// <summary>How much each answer of the practice took, by place, where that was noted.</summary>
    public IReadOnlyDictionary<int, Rung> Rungs { get; init; } = new Dictionary<int, Rung>();

    /// <summary>The ids of what was noted.</summary>
    public IReadOnlyList<string> Notes { get; init; } = [];

    /// <summary>What was asked at a place of a part; null where nothing was.</summary>
    public ItemResponse? At(VisitPart part, int place) =>
        SittingOf(part)?.Questions.FirstOrDefault(question => question.Asked.Place == place);

    /// <summary>What stands as said at a place of a part, as it was typed; null where nothing does.</summary>
    public string? Said(VisitPart part, int place) => part == VisitPart.Room ? RoomClock?.Raw : At(part, place)?.Given?.Raw;

    /// <summary>The sitting of a part; null where it has none.</summary>
    public SittingRecord? SittingOf(VisitPart part) => part switch
    {
        VisitPart.Cold => Cold,
        VisitPart.Practise or VisitPart.Close => Practice,
        _ => null,
    };

    /// <summary>Whether nothing is to be waited for any more at a place of a part.</summary>
    public bool HasAnswered(VisitPart part, int place) => part == VisitPart.Room ? RoomClock is not null
        : At(part, place) is not { Given: null };
}

/// <summary>Where a visit is.</summary>
/// <param name="Visit">The visit.</param>
/// <param name="Children">Its children, by turn.</param>
public sealed record VisitState(Visit Visit, IReadOnlyList<ChildInVisit> Children)
{
    /// <summary>The children who are there.</summary>
    public IEnumerable<ChildInVisit> Here => Children.Where(child => child.IsHere);

    /// <summary>How clocks are taught, said and drawn: for one child as for that child, for several as in the school.</summary>
    public TeachingPreferences Preferences => Children is [var alone]
        ? alone.Child.Preferences
        : new TeachingPreferences(SettingsText.Read(Children[0].Child.SchoolSettingsText), new Dictionary<string, string>());

    /// <summary>What all are taught.</summary>
    public Stage Stage => Children.Min(child => child.Child.Stage);

    /// <summary>The item that is asked; null where none is.</summary>
    public AskedItem? Asked => AskedAt(Visit.Part, Visit.Place);

    /// <summary>How many items the part has.</summary>
    public int Length => Visit.Part switch
    {
        VisitPart.Cold => Items(VisitPart.Cold).Count,
        VisitPart.Practise => Items(VisitPart.Practise).Count - 1,
        _ => 1,
    };

    /// <summary>Whether everybody who is there has answered what is asked.</summary>
    public bool IsAnswered => Here.Any() && Here.All(child => child.HasAnswered(Visit.Part, Visit.Place));

    /// <summary>The item at a place of a part; null where there is none.</summary>
    public AskedItem? AskedAt(VisitPart part, int place) => Items(part).FirstOrDefault(asked => asked.Place == place);

    /// <summary>What is asked in a part: the same of all.</summary>
    public IReadOnlyList<AskedItem> Items(VisitPart part) =>
        Children.Select(child => child.SittingOf(part)).FirstOrDefault(sitting => sitting is not null) is { } sitting
            ? [.. sitting.Questions.Select(question => question.Asked)] : [];

    /// <summary>Loads a visit; null where the school has no such visit.</summary>
    public static async Task<VisitState?> Load(SchoolConnection connection, VisitId id) => await VisitRows.Find(connection, id) is { } rows
        ? From(rows) : null;

    /// <summary>Loads a visit, kept from other writers until the transaction ends; null where the school has no such visit.</summary>
    internal static async Task<VisitState?> Lock(SchoolConnection connection, VisitId id) =>
        await VisitRows.Lock(connection, id) is { } rows
        ? From(rows) : null;

    private static VisitState From(VisitRows rows)
    {
        return new VisitState(rows.Visit,
        [
            .. rows.Present.Select(present =>
                new ChildInVisit(rows.Children[present.Child], present.LeftAt is null, RecordOf(present.Child, practice: false),
                    RecordOf(present.Child, practice: true))
            {
                RoomClock = rows.RoomClock[present.Child].FirstOrDefault(),
                Rungs = RungsOf(rows.Sittings.FirstOrDefault(sitting => sitting.Child == present.Child && sitting.IsPractice)),
                Notes = [.. rows.Notes[present.Child]],
            }),
        ]);

        SittingRecord? RecordOf(ChildId child, bool practice) =>
            rows.Sittings.FirstOrDefault(sitting => sitting.Child == child && sitting.IsPractice == practice) is { } sitting
            ? ChildRecord.SittingFrom(sitting, rows.Asked[sitting.Id], rows.Answers[sitting.Id], rows.Children[child].Preferences)
            : null;

        Dictionary<int, Rung> RungsOf(Sitting? practice) => practice is null ? []
            : rows.Prompts[practice.Id].Select(prompt => (prompt.Place, Rung: Core.Practice.Rungs.Find(prompt.Rung)))
            .Where(prompt => prompt.Rung is not null).ToDictionary(prompt => prompt.Place, prompt => prompt.Rung!.Value);
    }
}
