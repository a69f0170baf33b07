using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Store;

/// <summary>Sittings, what was asked in them and what was answered.</summary>
public static class Sittings
{
    /// <summary>The day of a sitting where the school is. PostgreSQL knows the zones, and when their clocks change.</summary>
    internal const string Day = $"coalesce(sitting.paper_day, (sitting.first_answer_at at time zone {Schools.TimeZone})::date)";

    /// <summary>When a sitting was held: what goes on paper has no hour.</summary>
    internal const string Held = $"coalesce((sitting.paper_day + time '12:00') at time zone {Schools.TimeZone}, sitting.first_answer_at)";

    internal const string Columns =
        $"""
        id, child, kind, practice_set, stage, length::int as length, current_place::int as current_place, version, started_at, ended_at,
          plan as plan_name, delivery as delivery_name, visit, turn_in_visit::int as turn_in_visit, screening, cold_for, clock_carries,
            form, outcomes, outcomes_from, expected_right,
        first_answer_at, paper_day, {Day} as day
        """;

    /// <summary>Sittings in the order in which they were held; one that is not answered yet comes last.</summary>
    private const string InOrder = $"order by {Day} nulls last, first_answer_at, started_at, id";

    internal const string AnswerColumns =
        "sitting, id, place::int as place, try::int as try, raw, mode, seconds, begun_seconds, first_raw, prompted, how, seq, corrects, "
            + "given_at, given_by as by";

    internal const string SelectAsked =
        "select sitting, place::int as place, task, clock_time, claim, support, why, detail::text as detail, withdrawn from asked_item";

    private const string SelectAskedItems = $"{SelectAsked} where sitting = any(@sittings) and not withdrawn order by sitting, place";

    private const string SelectLatestAnswers =
        $"select distinct on (sitting, place, try) {AnswerColumns} from answer "
        + "where sitting = any(@sittings) order by sitting, place, try, seq desc";

    private sealed record ReadByRow(string SchoolSettings, string Settings, string? Task, string? ClockTime, string? Claim, string? Detail)
    {
        public Item? Item => Task is null || ClockTime is null ? null : ItemText.Read(Task, ClockTime, Claim, Detail);

        public TeachingPreferences Preferences => new(SettingsText.Read(SchoolSettings), SettingsText.Read(Settings));
    }

    internal sealed record AskedRow(SittingId Sitting, int Place, string Task, string ClockTime, string? Claim, string Support, string Why,
        string? Detail, bool Withdrawn)
    {
        public Item Item => ItemText.Read(Task, ClockTime, Claim, Detail);

        public AskedItem Asked => new(Place, Item, ItemText.Support(Support), Why);
    }

    public static Task<Sitting?> Find(SchoolConnection connection, SittingId id) =>
        connection.QuerySingleOrDefaultAsync<Sitting>($"select {Columns} from sitting where id = @id", new { id });

    /// <summary>Some sittings.</summary>
    public static async Task<IReadOnlyList<Sitting>> ByIds(SchoolConnection connection, IEnumerable<SittingId> ids) =>
        [.. await connection.QueryAsync<Sitting>($"select {Columns} from sitting where id = any(@ids)", new { ids = ids.ToArray() })];

    /// <summary>The sitting, kept from other writers until the transaction ends.</summary>
    public static Task<Sitting?> Lock(SchoolConnection connection, SittingId id) =>
        connection.QuerySingleOrDefaultAsync<Sitting>($"select {Columns} from sitting where id = @id for update", new { id });

    /// <summary>
    /// The sitting with all that was asked and answered in it, kept from other writers until the transaction ends; null where the school
    /// has no such sitting.
    /// </summary>
    public static Task<WholeSitting?> LockWhole(SchoolConnection connection, SittingId id) => Whole(connection, id, " for update");

    /// <summary>The sitting with all that was asked and answered in it; null where the school has no such sitting.</summary>
    public static Task<WholeSitting?> Whole(SchoolConnection connection, SittingId id) => Whole(connection, id, "");

    private static Task<WholeSitting?> Whole(SchoolConnection connection, SittingId id, string forUpdate) => connection.QueryTogetherAsync(
        $"""
        select {Columns} from sitting where id = @id{forUpdate};
        {Children.Taught} join sitting on sitting.school = child.school and sitting.child = child.id where sitting.id = @id;
        {SelectAsked} where sitting = @id order by place;
        select {AnswerColumns} from answer where sitting = @id order by seq
        """,
        new { id },
        async read =>
        {
            // Read to the end also where there is none: what is left unread is cancelled, and a cancellation may hit what comes next.
            var (sitting, child) = (await read.ReadSingleOrDefaultAsync<Sitting>(), await read.ReadSingleOrDefaultAsync<CaseloadRow>());
            var rows = Whole(await read.ReadAsync<AskedRow>(), await read.ReadAsync<AnswerRow>());
            return sitting is null || child is null ? null : new WholeSitting(sitting, child, rows);
        });

    /// <summary>A child's sittings, the earliest first.</summary>
    public static async Task<IReadOnlyList<Sitting>> OfChild(SchoolConnection connection, ChildId child) =>
        [.. await connection.QueryAsync<Sitting>($"select {Columns} from sitting where child = @child {InOrder}", new { child })];

    /// <summary>
    /// The cold starts and the check forms of some children that are over, each in the order in which they were held, with the number of
    /// the latest answer in each.
    /// </summary>
    public static async Task<IReadOnlyList<Sitting>> Measures(SchoolConnection connection, IEnumerable<ChildId> children) =>
        [.. await connection.QueryAsync<Sitting>(
            $"""
            select {Columns}, coalesce((select max(seq) from answer where answer.school = sitting.school
              and answer.sitting = sitting.id), 0) as latest_answer
            from sitting where child = any(@children) and (plan = 'cold' or form is not null) and ended_at is not null
              and first_answer_at is not null {InOrder}
            """,
            new { children = children.ToArray() })];

    /// <summary>Keeps how a cold start or a check form came out.</summary>
    public static Task KeepOutcomes(SchoolConnection connection, SittingId id, IEnumerable<string> outcomes, string from) =>
        connection.ExecuteAsync("update sitting set outcomes = @outcomes, outcomes_from = @from where id = @id",
            new { id, outcomes = outcomes.ToArray(), from });

    /// <summary>Keeps how many of the items of form A were expected to come right after a check form.</summary>
    public static Task KeepExpected(SchoolConnection connection, SittingId id, double expected) =>
        connection.ExecuteAsync("update sitting set expected_right = @expected where id = @id", new { id, expected });

    /// <summary>
    /// Children's sittings in which something was answered, the earliest first, with the number of the latest answer in each and what the
    /// teacher said of patterns after it. Answers are only ever added: while these are the same, so is what is believed.
    /// </summary>
    public static async Task<ILookup<ChildId, SittingKnownBy>> LatestAnswers(SchoolConnection connection, IEnumerable<ChildId> children) =>
        (await connection.QueryAsync<SittingKnownBy>(
            $"""
            select sitting.child, sitting.id as sitting, (select max(answer.seq) from answer where answer.school = sitting.school
              and answer.sitting = sitting.id) as latest_answer, {Day} as day, sitting.stage::int as stage,
              (select pattern from practice_set where practice_set.school = sitting.school and practice_set.id = sitting.practice_set)
                as practised,
              (select string_agg(id::text, ',' order by seq) from decision where decision.school = sitting.school
                and after_sitting = sitting.id and kind in ('confirm', 'rule-out') and taken_back_at is null) as words
            from sitting
            where sitting.child = any(@children) and sitting.first_answer_at is not null {InOrder}
            """,
            new { children = children.ToArray() })).ToLookup(sitting => sitting.Child);

    /// <summary>What some children have answered, with the days: the answer that stands at each place.</summary>
    public static async Task<IReadOnlyList<(SittingId Sitting, ChildId Child, DateOnly Day, int Place, string Task, string ClockTime,
        string Raw)>> Answered(SchoolConnection connection, IEnumerable<ChildId> children) =>
        [.. await connection.QueryAsync<(SittingId Sitting, ChildId Child, DateOnly Day, int Place, string Task, string ClockTime,
            string Raw)>(
            // Sitting by sitting: of a school that has just come, among hundreds, the planner would guess a few rows and read all of its
            // answers for each of them.
            $"""
            select sitting.id, child, {Day}, given.place::int, task, clock_time, raw
            from sitting join lateral (
              select distinct on (asked_item.place) asked_item.place, task, clock_time, raw
              from asked_item join answer on answer.school = asked_item.school and answer.sitting = asked_item.sitting
                and answer.place = asked_item.place and try = 1
              where asked_item.school = sitting.school and asked_item.sitting = sitting.id and not withdrawn
              order by asked_item.place, seq desc) given on true
            where child = any(@children) order by sitting.id, given.place
            """,
            new { children = children.Select(child => child.Value).ToArray() })];

    /// <summary>Which of some sittings there are.</summary>
    public static async Task<IReadOnlyList<SittingId>> Present(SchoolConnection connection, IEnumerable<SittingId> ids) =>
        [.. await connection.QueryAsync<SittingId>("select id from sitting where id = any(@ids)",
            new { ids = ids.Select(id => id.Value).ToArray() })];

    /// <summary>Starts a sitting, unless it was started before, or another asking of the child stands open.</summary>
    /// <returns>Whether it was started.</returns>
    public static async Task<bool> Start(SchoolConnection connection, Sitting sitting) => await connection.ExecuteAsync(
        """
        insert into sitting (school, id, child, kind, practice_set, stage, length, started_at, plan, delivery, visit, turn_in_visit,
          screening, cold_for, clock_carries, form)
        values (@school, @Id, @Child, @kind, @PracticeSet, @stage, @Length, @StartedAt, @PlanName, @DeliveryName, @Visit, @TurnInVisit,
          @Screening, @ColdFor, @ClockCarries, @Form)
        on conflict do nothing
        """,
        new
        {
            school = connection.School,
            sitting.Id,
            sitting.Child,
            kind = sitting.Kind.ToString().ToLowerInvariant(),
            sitting.PracticeSet,
            stage = (int)sitting.Stage,
            sitting.Length,
            sitting.StartedAt,
            sitting.PlanName,
            sitting.ColdFor,
            sitting.ClockCarries,
            sitting.Form,
            sitting.DeliveryName,
            sitting.Visit,
            sitting.TurnInVisit,
            sitting.Screening,
        }) > 0;

    /// <summary>Starts a class's sittings in one statement: alike but for child and place in the list.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="alike">What they have in common.</param>
    /// <param name="sittings">The id of each with its child, in the order of the list.</param>
    public static Task StartAll(SchoolConnection connection, Sitting alike, IReadOnlyList<(SittingId Id, ChildId Child)> sittings) =>
        connection.ExecuteAsync(
        """
        insert into sitting (school, id, child, kind, stage, length, started_at, plan, delivery, turn_in_visit, screening)
        select @school, id, child, @kind, @stage, @Length, @StartedAt, @PlanName, @DeliveryName, turn - 1, @Screening
        from unnest(@ids, @children) with ordinality as one (id, child, turn)
        """,
        new
        {
            school = connection.School,
            kind = alike.Kind.ToString().ToLowerInvariant(),
            stage = (int)alike.Stage,
            alike.Length,
            alike.StartedAt,
            alike.PlanName,
            alike.DeliveryName,
            alike.Screening,
            ids = sittings.Select(sitting => sitting.Id).ToArray(),
            children = sittings.Select(sitting => sitting.Child).ToArray(),
        });

    /// <summary>The sittings of a visit, by turn.</summary>
    public static async Task<IReadOnlyList<Sitting>> OfVisit(SchoolConnection connection, VisitId visit) =>
        [.. await connection.QueryAsync<Sitting>($"select {Columns} from sitting where visit = @visit order by turn_in_visit, id",
            new { visit })];

    /// <summary>The sittings of a screening.</summary>
    public static async Task<IReadOnlyList<Sitting>> OfScreening(SchoolConnection connection, ScreeningId screening) =>
        [.. await connection.QueryAsync<Sitting>($"select {Columns} from sitting where screening = @screening order by turn_in_visit, id",
            new { screening })];

    /// <summary>Keeps the day that was told; null goes by the first answer again.</summary>
    public static Task TellDay(SchoolConnection connection, IEnumerable<SittingId> sittings, DateOnly? day) =>
        connection.ExecuteAsync("update sitting set paper_day = @day, version = version + 1 where id = any(@sittings)",
            new { sittings = sittings.ToArray(), day });

    /// <summary>Changes how a sitting is held; items still unanswered get the help of the new way.</summary>
    public static Task Deliver(SchoolConnection connection, SittingId id, DeliveryMode mode, string? clockCarries, IEnumerable<int> helped,
        Support help) => connection.ExecuteAsync(
        """
        update sitting set delivery = @delivery, clock_carries = coalesce(@clockCarries, clock_carries), version = version + 1
          where id = @id;
        update asked_item set support = case when place = any(@helped) then @help else 'bare' end where sitting = @id
          and not exists (select from answer where answer.school = asked_item.school and answer.sitting = asked_item.sitting
            and answer.place = asked_item.place)
        """,
        new { id, delivery = DeliveryNames.NameOf(mode), clockCarries, helped = helped.ToArray(), help = ItemText.Support(help) });

    /// <summary>Makes a sitting shorter or longer.</summary>
    public static Task Lengthen(SchoolConnection connection, SittingId id, int length) =>
        connection.ExecuteAsync("update sitting set length = @length where id = @id", new { id, length });

    /// <summary>Moves a sitting on to another place.</summary>
    public static Task MoveTo(SchoolConnection connection, SittingId id, int place) =>
        connection.ExecuteAsync("update sitting set current_place = @place, version = version + 1 where id = @id", new { id, place });

    public static Task End(SchoolConnection connection, SittingId id, DateTime now) =>
        connection.ExecuteAsync("update sitting set ended_at = @now, version = version + 1 where id = @id and ended_at is null",
            new { id, now });

    /// <summary>Opens a sitting again that had ended, with some of what was asked in it.</summary>
    public static Task Reopen(SchoolConnection connection, SittingId id, IEnumerable<int> places) => connection.ExecuteAsync(
        """
        update sitting set ended_at = null, version = version + 1 where id = @id;
        update asked_item set withdrawn = false where sitting = @id and place = any(@places)
        """,
        new { id, places = places.ToArray() });

    /// <summary>Asks items in a sitting.</summary>
    public static Task Ask(SchoolConnection connection, SittingId sitting, IEnumerable<AskedItem> items, DateTime now) =>
        Ask(connection, [sitting], items, now);

    /// <summary>Asks the same items in several sittings, in one statement.</summary>
    public static Task Ask(SchoolConnection connection, IEnumerable<SittingId> sittings, IEnumerable<AskedItem> items, DateTime now) =>
        Ask(connection, sittings, items, now, then: "");

    /// <summary>Asks an item in a sitting and moves on to it, in one round trip.</summary>
    public static Task AskNext(SchoolConnection connection, SittingId sitting, AskedItem item, DateTime now) =>
        Ask(connection, [sitting], [item], now,
            "; update sitting set current_place = @places[1], version = version + 1 where id = @sittings[1]");

    private static Task<int> Ask(
        SchoolConnection connection, IEnumerable<SittingId> sittings, IEnumerable<AskedItem> items, DateTime now, string then)
    {
        var asked = items.ToList();
        return connection.ExecuteAsync(
            $"""
            insert into asked_item (school, sitting, place, task, clock_time, claim, support, why, asked_at, detail)
            select @school, sitting, place, task, clock_time, claim, support, why, @now, detail::jsonb from unnest(@sittings) sitting,
              unnest(@places, @tasks, @times, @claims, @supports, @whys, @details) as item (place, task, clock_time, claim, support, why,
                detail){then}
            """,
            new
            {
                school = connection.School,
                sittings = sittings.ToArray(),
                places = asked.Select(item => item.Place).ToArray(),
                tasks = asked.Select(item => item.Item.Task.Id).ToArray(),
                times = asked.Select(item => item.Item.Time.ToString()).ToArray(),
                claims = asked.Select(item => ItemText.Claim(item.Item)).ToArray(),
                supports = asked.Select(item => ItemText.Support(item.Support)).ToArray(),
                whys = asked.Select(item => item.Why).ToArray(),
                details = asked.Select(item => ItemText.Detail(item.Item)).ToArray(),
                now,
            });
    }

    /// <summary>Takes items back that were asked and not answered.</summary>
    public static Task Withdraw(SchoolConnection connection, SittingId sitting, params int[] places) =>
        connection.ExecuteAsync("update asked_item set withdrawn = true where sitting = @sitting and place = any(@places)",
            new { sitting, places });

    /// <summary>Takes back every item that stands and has no answer.</summary>
    public static Task WithdrawUnanswered(SchoolConnection connection, SittingId sitting) => connection.ExecuteAsync(
        """
        update asked_item set withdrawn = true where sitting = @sitting and not withdrawn
          and not exists (select from answer where answer.school = asked_item.school and answer.sitting = asked_item.sitting
            and answer.place = asked_item.place)
        """,
        new { sitting });

    /// <summary>A sitting with what an answer to one of its places is read by; null where the school has no such sitting.</summary>
    public static async Task<SittingAtPlace?> At(SchoolConnection connection, SittingId id, int place)
    {
        var (sitting, read) = await connection.QueryBothAsync<Sitting, ReadByRow>(
            $"""
            select {Columns} from sitting where id = @id;
            select school.settings::text as school_settings, child.settings::text as settings, asked_item.task, asked_item.clock_time,
              asked_item.claim, asked_item.detail::text as detail
            from sitting join school on school.id = sitting.school join child on child.school = sitting.school and child.id = sitting.child
            left join asked_item on asked_item.school = sitting.school and asked_item.sitting = sitting.id and asked_item.place = @place
            where sitting.id = @id
            """,
            new { id, place });
        return sitting.SingleOrDefault() is { } found && read.SingleOrDefault() is { } by
            ? new SittingAtPlace(found, by.Preferences, by.Item) : null;
    }

    /// <summary>Everything that was asked in a sitting, and everything that was answered.</summary>
    public static async Task<SittingRows> Rows(SchoolConnection connection, SittingId sitting)
    {
        var (asked, answers) = await connection.QueryBothAsync<AskedRow, AnswerRow>(
            $"{SelectAsked} where sitting = @sitting order by place; select {AnswerColumns} from answer where sitting = @sitting order by "
                + $"seq", new { sitting });
        return Whole(asked, answers);
    }

    private static SittingRows Whole(IEnumerable<AskedRow> asked, IEnumerable<AnswerRow> answers)
    {
        var rows = asked.ToList();
        return new SittingRows(
            [.. rows.Where(row => !row.Withdrawn).Select(row => row.Asked)], [.. rows.Where(row => row.Withdrawn).Select(row => row.Asked)],
            [.. answers]);
    }

    /// <summary>The items of some sittings that stand, in order.</summary>
    public static async Task<ILookup<SittingId, AskedItem>> AskedIn(SchoolConnection connection, IEnumerable<SittingId> sittings) =>
        ByItsSitting(await connection.QueryAsync<AskedRow>(SelectAskedItems, new { sittings = sittings.ToArray() }));

    /// <summary>The answers of some sittings that stand: the latest to each place and try.</summary>
    public static async Task<ILookup<SittingId, AnswerRow>> AnswersIn(SchoolConnection connection, IEnumerable<SittingId> sittings) =>
        (await connection.QueryAsync<AnswerRow>(SelectLatestAnswers, new { sittings = sittings.ToArray() })).ToLookup(row => row.Sitting);

    /// <summary>The items and the answers of some sittings that stand, in one round trip.</summary>
    public static async Task<(ILookup<SittingId, AskedItem> Asked, ILookup<SittingId, AnswerRow> Answers)> RowsIn(
        SchoolConnection connection, IEnumerable<SittingId> sittings)
    {
        var (asked, answers) = await connection.QueryBothAsync<AskedRow, AnswerRow>($"{SelectAskedItems}; {SelectLatestAnswers}",
            new { sittings = sittings.ToArray() });
        return (ByItsSitting(asked), answers.ToLookup(row => row.Sitting));
    }

    private static ILookup<SittingId, AskedItem> ByItsSitting(IEnumerable<AskedRow> rows) =>
        rows.ToLookup(row => row.Sitting, row => row.Asked);

    /// <summary>Adds an answer; where its item had been taken back, that stands again.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="answer">The answer.</param>
    /// <param name="givenAt">When it was given.</param>
    /// <param name="now">When it is kept.</param>
    /// <returns>The answer's number among all, and the sitting's day from now on.</returns>
    public static Task<(long Seq, DateOnly Day)> AddAnswer(SchoolConnection connection, AnswerRow answer, DateTime givenAt, DateTime now) =>
        connection.QuerySingleAsync<(long Seq, DateOnly Day)>(
        $"""
        insert into answer (school, sitting, id, place, try, raw, mode, seconds, begun_seconds, first_raw, prompted, how, corrects,
          given_at, given_by, kept_at)
        values (@school, @Sitting, @Id, @Place, @Try, @Raw, @Mode, @Seconds, @BegunSeconds, @FirstRaw, @Prompted, @How, @Corrects, @givenAt,
          @By, @now);
        update sitting set first_answer_at = least(first_answer_at, @givenAt)
        where id = @Sitting and (first_answer_at is null or first_answer_at > @givenAt);
        update asked_item set withdrawn = false where sitting = @Sitting and place = @Place and withdrawn;
        select answer.seq, {Day} from answer join sitting on sitting.school = answer.school and sitting.id = answer.sitting
          where answer.sitting = @Sitting and answer.id = @Id
        """,
        new
        {
            school = connection.School,
            answer.Sitting,
            answer.Id,
            answer.Place,
            answer.Try,
            answer.Raw,
            answer.Mode,
            answer.Seconds,
            answer.BegunSeconds,
            answer.FirstRaw,
            answer.Prompted,
            answer.How,
            answer.Corrects,
            answer.By,
            givenAt,
            now,
        });

    /// <summary>
    /// The sittings that wait for some children, other than in a visit or on a class's list, in the order of the children.
    /// </summary>
    public static async Task<IReadOnlyList<SittingId>> WaitingOf(SchoolConnection connection, IReadOnlyList<ChildId> children) =>
        [.. await connection.QueryAsync<SittingId>(
            """
            select sitting.id from sitting join unnest(@children) with ordinality as one (child, turn) on one.child = sitting.child
            where ended_at is null and visit is null and screening is null order by turn, started_at
            """,
            new { children = children.ToArray() })];
}
