using Npgsql;
using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>Children of a school.</summary>
public static class Children
{
    internal const string Caseload =
        $"""
        select child.id, child.alias, child.stage, child.class_name, child.on_caseload, child.tasks_met, child.settings::text as
          settings_text,
          (select school.settings::text from school where school.id = child.school) as school_settings_text, coalesce(seen.sittings, 0)::int
            as sittings, seen.last_seen,
          (select open.id from sitting open where open.school = child.school and open.child = child.id
             and open.kind = 'asking' and open.screening is null and open.ended_at is null) as open_asking,
          (select visit.id from sitting open join visit on visit.school = open.school and visit.id = open.visit
            where open.school = child.school and open.child = child.id
             and open.kind = 'asking' and open.ended_at is null and visit.ended_at is null limit 1) as open_visit,
          (select waiting.id from practice_set waiting where waiting.school = child.school and waiting.child = child.id
             and not exists (select from sitting done where done.school = waiting.school and done.practice_set = waiting.id
               and (done.ended_at is not null or done.visit is not null))
             order by waiting.assigned_at desc limit 1) as open_set,
          (select goes.id from sitting goes where goes.school = child.school and goes.child = child.id
             and goes.ended_at is null and goes.screening is null and goes.first_answer_at is not null
             order by goes.first_answer_at desc limit 1) as under_way,
          seen.last_set_alone, seen.last_asking,
          last.id as last_sitting, last.concluded_from, last.unnamed as beside_name, coalesce(seen.latest_answer, 0) as latest_answer,
            seen.last_practised,
          (child.added_at at time zone {Schools.TimeZone})::date as added_on,
          (select count(*) + count(taken_back_at) from decision where decision.school = child.school and decision.child = child.id
            and kind in ('confirm', 'rule-out'))::int as teacher_words
        from child
        left join lateral (
          select count(*) filter (where ended_at is not null) as sittings, max({Sittings.Day}) as last_seen,
            max({Sittings.Held}) filter (where kind = 'practice' and visit is null and ended_at is not null) as last_set_alone,
            max({Sittings.Day}) filter (where kind = 'practice') as last_practised,
            max({Sittings.Held}) filter (where kind = 'asking' and ended_at is not null) as last_asking,
            max((select max(seq) from answer where answer.school = sitting.school and answer.sitting = sitting.id)) as latest_answer
          from sitting where sitting.school = child.school and sitting.child = child.id and sitting.first_answer_at is not null
        ) seen on true
        left join lateral (
          select sitting.id, sitting.concluded_from, sitting.unnamed from sitting
          where sitting.school = child.school and sitting.child = child.id and (sitting.ended_at is not null
            or sitting.screening is not null) and sitting.first_answer_at is not null
          order by {Sittings.Day} desc, first_answer_at desc, started_at desc, id desc limit 1
        ) last on true
        """;

    /// <summary>Children as they are taught, without what is waiting.</summary>
    internal const string Taught =
        """
        select child.id, child.alias, child.stage, child.class_name, child.on_caseload, child.tasks_met,
          child.settings::text as settings_text, school.settings::text as school_settings_text
        from child join school on school.id = child.school
        """;

    private const string SelectListed = "select id, alias, class_name, stage, on_caseload, keep_until from child";

    private const string Insert =
        "insert into child (school, id, alias, stage, added_at, on_caseload) values (@school, @Id, @Alias, @stage, @now, @onCaseload)";

    /// <summary>Every child on the caseload with what is waiting, by alias.</summary>
    public static Task<IEnumerable<CaseloadRow>> All(SchoolConnection connection) =>
        connection.QueryAsync<CaseloadRow>($"{Caseload} where child.on_caseload order by child.alias");

    /// <summary>Every child of the school with what is waiting, on the caseload or not.</summary>
    public static Task<IEnumerable<CaseloadRow>> Everybody(SchoolConnection connection) =>
        connection.QueryAsync<CaseloadRow>(Caseload);

    /// <summary>Some children with what is waiting.</summary>
    public static Task<IEnumerable<CaseloadRow>> ByIds(SchoolConnection connection, IEnumerable<ChildId> ids) =>
        connection.QueryAsync<CaseloadRow>($"{Caseload} where child.id = any(@ids)", new { ids = ids.ToArray() });

    /// <summary>
    /// How one child is taught, without what is waiting: an answer needs no more, and comes a hundred times for each view of a list.
    /// </summary>
    public static Task<CaseloadRow?> AsTaught(SchoolConnection connection, ChildId id) =>
        connection.QuerySingleOrDefaultAsync<CaseloadRow>($"{Taught} where child.id = @id", new { id });

    /// <summary>One child with what is waiting, or null.</summary>
    public static Task<CaseloadRow?> Find(SchoolConnection connection, ChildId id) =>
        connection.QuerySingleOrDefaultAsync<CaseloadRow>($"{Caseload} where child.id = @id", new { id });

    /// <summary>The ids of the children with these aliases.</summary>
    public static async Task<IReadOnlyDictionary<string, ChildId>> ByAlias(SchoolConnection connection, IEnumerable<string> aliases)
    {
        var found = await connection.QueryAsync<(string Alias, ChildId Id)>("select alias, id from child where alias = any(@aliases)",
            new { aliases = aliases.ToArray() });
        return found.ToDictionary(child => child.Alias, child => child.Id);
    }

    /// <summary>Adds a child.</summary>
    public static Task Add(SchoolConnection connection, Child child, DateTime now, bool onCaseload = true) =>
        connection.ExecuteAsync(Insert, Row(connection.School, child, now, onCaseload));

    /// <summary>The ids and stages of the children with these aliases.</summary>
    public static async Task<IReadOnlyDictionary<string, (ChildId Id, Stage Stage)>> StagesByAlias(
        SchoolConnection connection, IEnumerable<string> aliases)
    {
        var found = await connection.QueryAsync<(string Alias, ChildId Id, int Stage)>(
            "select alias, id, stage::int from child where alias = any(@aliases)", new { aliases = aliases.Distinct().ToArray() });
        return found.ToDictionary(child => child.Alias, child => (child.Id, (Stage)child.Stage));
    }

    /// <summary>Every child of the school, on the caseload or not, by alias.</summary>
    public static async Task<IReadOnlyList<ListedChild>> Aliases(SchoolConnection connection) =>
        [.. await connection.QueryAsync<ListedChild>($"{SelectListed} order by alias")];

    /// <summary>The children with some letters in the alias: those whom they begin first.</summary>
    public static async Task<IReadOnlyList<ListedChild>> ByLetters(SchoolConnection connection, string letters, int most) =>
        [.. await connection.QueryAsync<ListedChild>(
            $"{SelectListed} where position(lower(@letters) in lower(alias)) > 0 "
                + "order by position(lower(@letters) in lower(alias)) > 1, alias limit @most",
            new { letters, most })];

    /// <summary>One child as a list of all has them.</summary>
    public static Task<ListedChild?> Listed(SchoolConnection connection, ChildId id) =>
        connection.QuerySingleOrDefaultAsync<ListedChild>($"{SelectListed} where id = @id", new { id });

    /// <summary>A child's alias, and nothing else of them; null where there is no such child.</summary>
    public static Task<string?> AliasOf(SchoolConnection connection, ChildId id) =>
        connection.ExecuteScalarAsync<string>("select alias from child where id = @id", new { id });

    /// <summary>How many records are kept until a day before this one.</summary>
    public static Task<int> CountKeptUntilBefore(SchoolConnection connection, DateOnly today) =>
        connection.ExecuteScalarAsync<int>("select count(*)::int from child where keep_until < @today", new { today });

    /// <summary>Keeps until when a child's record is kept; null is not settled.</summary>
    public static Task<int> KeepUntil(SchoolConnection connection, ChildId id, DateOnly? day) =>
        connection.ExecuteAsync("update child set keep_until = @day where id = @id", new { id, day });

    /// <summary>Keeps how far a child has been taught.</summary>
    public static Task<int> SetStage(SchoolConnection connection, ChildId id, Stage stage) =>
        connection.ExecuteAsync("update child set stage = @stage where id = @id", new { id, stage = (int)stage });

    /// <summary>Keeps other writers of the school's children away until the transaction ends.</summary>
    public static Task LockAll(SchoolConnection connection) => connection.ExecuteAsync("select from child order by id for update");

    /// <summary>
    /// Gives classes new names and moves the stages of their children on, all at once: a class may take the name that another leaves.
    /// </summary>
    /// <param name="connection">The connection.</param>
    /// <param name="from">The names that they have.</param>
    /// <param name="to">The names that they get, in the same order.</param>
    /// <param name="stages">By how many stages each moves on; beyond the last there is none.</param>
    /// <returns>How many children were moved on.</returns>
    public static Task<int> MoveOn(SchoolConnection connection, string[] from, string[] to, int[] stages) => connection.ExecuteAsync(
        """
        update child set class_name = moved.becomes, stage = least(child.stage + moved.stages, 12)
        from unnest(@from, @to, @stages) as moved (was, becomes, stages)
        where child.class_name = moved.was and (moved.becomes <> moved.was or moved.stages > 0)
        """,
        new { from, to, stages });

    /// <summary>Erases a child's record whole, where this is their alias.</summary>
    /// <returns>Whether it was.</returns>
    public static async Task<bool> Erase(SchoolConnection connection, ChildId id, string alias)
    {
        if (!await connection.ExecuteScalarAsync<bool>("select erase_child(@id, @alias)", new { id = id.Value, alias })) return false;
        // A file that was sent within the hour may hold what they answered.
        await SentFiles.DropAll(connection);
        return true;
    }

    /// <summary>Adds several children, in one statement.</summary>
    public static Task AddAll(SchoolConnection connection, IReadOnlyList<Child> children, DateTime now, bool onCaseload = false) =>
        connection.ExecuteAsync(
        """
        insert into child (school, id, alias, stage, added_at, on_caseload)
        select @school, id, alias, stage, @now, @onCaseload from unnest(@ids, @aliases, @stages) as one (id, alias, stage)
        """,
        new
        {
            school = connection.School,
            now,
            onCaseload,
            ids = children.Select(child => child.Id).ToArray(),
            aliases = children.Select(child => child.Alias).ToArray(),
            stages = children.Select(child => (int)child.Stage).ToArray(),
        });

    /// <summary>
    /// Puts a child on the caseload by their alias. One who is known from a screened class is the same child: their answers and their stage
    /// stay.
    /// </summary>
    /// <returns>The child's id, and whether another press than this had put the child on the caseload before.</returns>
    public static async Task<(ChildId Id, bool WasThere)> Join(SchoolConnection connection, Child child, DateTime now)
    {
        var added = await connection.ExecuteAsync($"{Insert} on conflict do nothing", Row(connection.School, child, now, onCaseload: true));
        if (added > 0) return (child.Id, false);
        if (await Find(connection, child.Id) is { } same && same.Alias == child.Alias) return (child.Id, false);
        var known = (await ByAlias(connection, [child.Alias]))[child.Alias];
        var there = (await Find(connection, known))!.OnCaseload;
        if (!there) await SetOnCaseload(connection, known, onCaseload: true);
        return (known, there);
    }

    /// <summary>Gives a child another alias, unless another child of the school has it.</summary>
    /// <returns>Whether it is the child's now.</returns>
    public static async Task<bool> Rename(SchoolConnection connection, ChildId id, string alias)
    {
        await connection.ExecuteAsync("savepoint before_alias");
        try
        {
            return await connection.ExecuteAsync("update child set alias = @alias where id = @id", new { id, alias }) > 0;
        }
        catch (PostgresException taken) when (taken.SqlState == PostgresErrorCodes.UniqueViolation)
        {
            // Also where another child was given it in this very moment.
            await connection.ExecuteAsync("rollback to savepoint before_alias");
            return false;
        }
    }

    /// <summary>Keeps other writers of this child's sittings and sets away until the transaction ends.</summary>
    public static Task Lock(SchoolConnection connection, ChildId id) =>
        connection.ExecuteAsync("select from child where id = @id for no key update", new { id });

    /// <summary>Says which class a child is fetched from.</summary>
    public static Task<int> SetClass(SchoolConnection connection, ChildId id, string className) =>
        connection.ExecuteAsync("update child set class_name = @className where id = @id", new { id, className });

    /// <summary>Takes a child onto the caseload, or off it. Their answers stay.</summary>
    public static Task<int> SetOnCaseload(SchoolConnection connection, ChildId id, bool onCaseload) =>
        connection.ExecuteAsync("update child set on_caseload = @onCaseload where id = @id", new { id, onCaseload });

    /// <summary>Keeps how far a child has been taught, and the settings chosen for this child alone.</summary>
    /// <param name="connection">The connection.</param>
    /// <param name="id">The child.</param>
    /// <param name="stage">Their stage.</param>
    /// <param name="tasksMet">The tasks they have met; null: those of their stage.</param>
    /// <param name="settings">What is chosen for this child alone.</param>
    public static Task<int> Teach(SchoolConnection connection, ChildId id, Stage stage, IEnumerable<string>? tasksMet,
        IReadOnlyDictionary<string, string> settings) =>
        connection.ExecuteAsync(
            "update child set stage = @stage, tasks_met = @tasksMet, settings = @settings::jsonb where id = @id",
            new { id, stage = (int)stage, tasksMet = tasksMet?.ToArray(), settings = SettingsText.Write(settings) });

    private static object Row(SchoolId school, Child child, DateTime now, bool onCaseload) =>
        new { school, child.Id, child.Alias, stage = (int)child.Stage, now, onCaseload };
}
