
namespace Umbick.Store;

/// <summary>Everything that is kept of a visit, asked for in one round trip.</summary>
/// <param name="Visit">The visit.</param>
/// <param name="Present">Its children, by turn.</param>
/// <param name="Children">The same children with what is waiting.</param>
/// <param name="Sittings">Its sittings, by turn.</param>
/// <param name="Asked">What was asked in each.</param>
/// <param name="Answers">What was answered in each: the answers that stand.</param>
/// <param name="Prompts">How much answers took.</param>
/// <param name="RoomClock">What each child read off the room's clock.</param>
/// <param name="Notes">What was noted of each child.</param>
public sealed record VisitRows(
    Visit Visit, IReadOnlyList<VisitChild> Present, IReadOnlyDictionary<ChildId, CaseloadRow> Children, IReadOnlyList<Sitting> Sittings,
    ILookup<SittingId, AskedItem> Asked,
    ILookup<SittingId, AnswerRow> Answers, ILookup<SittingId, PromptRow> Prompts, ILookup<ChildId, RoomClockReading> RoomClock,
    ILookup<ChildId, string> Notes)
{
    private const string OfIts = "sitting in (select id from sitting where visit = @id)";

    /// <summary>Loads a visit; null where the school has no such visit.</summary>
    public static Task<VisitRows?> Find(SchoolConnection connection, VisitId id) => Load(connection, id, "");

    /// <summary>Loads a visit, kept from other writers until the transaction ends; null where the school has no such visit.</summary>
    public static Task<VisitRows?> Lock(SchoolConnection connection, VisitId id) => Load(connection, id, " for update");

    private static Task<VisitRows?> Load(SchoolConnection connection, VisitId id, string forUpdate) => connection.QueryTogetherAsync(
        $"""
        select {Visits.Columns} from visit where id = @id{forUpdate};
        select child, left_at from visit_child where visit = @id order by turn;
        {Store.Children.Caseload} where child.id in (select child from visit_child where visit = @id);
        select {Store.Sittings.Columns} from sitting where visit = @id order by turn_in_visit, id;
        {Store.Sittings.SelectAsked} where {OfIts} and not withdrawn order by sitting, place;
        select distinct on (sitting, place, try) {Store.Sittings.AnswerColumns} from answer where {OfIts}
          order by sitting, place, try, seq desc;
        select sitting, place::int as place, rung from prompt where {OfIts};
        select distinct on (child) id, child, clock_time, raw from room_clock_reading where visit = @id
          order by child, said_at desc, id desc;
        select child, note from visit_note where visit = @id order by noted_at, note
        """,
        new { id },
        async read =>
        {
            // Read to the end also where there is none: what is left unread is cancelled, and a cancellation may hit what comes next.
            var visit = await read.ReadSingleOrDefaultAsync<Visit>();
            var rows = new VisitRows(
                visit!,
                [.. await read.ReadAsync<VisitChild>()],
                (await read.ReadAsync<CaseloadRow>()).ToDictionary(child => child.Id),
                [.. await read.ReadAsync<Sitting>()],
                (await read.ReadAsync<Store.Sittings.AskedRow>()).ToLookup(row => row.Sitting, row => row.Asked),
                (await read.ReadAsync<AnswerRow>()).ToLookup(row => row.Sitting),
                (await read.ReadAsync<PromptRow>()).ToLookup(row => row.Sitting),
                (await read.ReadAsync<RoomClockReading>()).ToLookup(reading => reading.Child),
                (await read.ReadAsync<VisitNoteRow>()).ToLookup(note => note.Child, note => note.Note));
            return visit is null ? null : rows;
        });
}
