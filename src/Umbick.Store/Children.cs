using System.Data.Common;
using Dapper;
using Umbick.Core.Items;

namespace Umbick.Store;

/// <summary>A child, by alias.</summary>
public sealed record Child(Guid Id, string Alias, Stage Stage);

/// <summary>A child on the caseload, with what is waiting.</summary>
public sealed class CaseloadRow
{
    public Guid Id { get; init; }

    public string Alias { get; init; } = "";

    public Stage Stage { get; init; }

    public int Sittings { get; init; }

    public DateTime? LastSeen { get; init; }

    public Guid? OpenAsking { get; init; }

    public Guid? OpenSet { get; init; }

    public bool PractisedSinceAsked { get; init; }

    /// <summary>The last finished sitting: its marginals are what is believed now.</summary>
    public Guid? LastSitting { get; init; }
}

/// <summary>Children of a school.</summary>
public static class Children
{
    private const string Caseload =
        """
        select child.id, child.alias, child.stage, coalesce(seen.sittings, 0)::int as sittings, seen.last_seen,
          (select open.id from sitting open where open.school = child.school and open.child = child.id
             and open.kind = 'asking' and open.ended_at is null order by open.started_at desc limit 1) as open_asking,
          (select waiting.id from practice_set waiting where waiting.school = child.school and waiting.child = child.id
             and not exists (select from sitting done where done.school = waiting.school and done.practice_set = waiting.id and done.ended_at is not null)
             order by waiting.assigned_at desc limit 1) as open_set,
          coalesce(seen.last_practice > coalesce(seen.last_asking, '-infinity'), false) as practised_since_asked,
          (select latest.id from sitting latest where latest.school = child.school and latest.child = child.id
             and latest.ended_at is not null order by latest.started_at desc limit 1) as last_sitting
        from child
        left join lateral (
          select count(*) filter (where ended_at is not null) as sittings, max(started_at) as last_seen,
            max(started_at) filter (where kind = 'practice' and ended_at is not null) as last_practice,
            max(started_at) filter (where kind = 'asking' and ended_at is not null) as last_asking
          from sitting where sitting.school = child.school and sitting.child = child.id
        ) seen on true
        """;

    /// <summary>Every child with what is waiting, by alias.</summary>
    public static Task<IEnumerable<CaseloadRow>> All(DbConnection connection) =>
        connection.QueryAsync<CaseloadRow>($"{Caseload} order by child.alias");

    /// <summary>One child with what is waiting, or null.</summary>
    public static Task<CaseloadRow?> Find(DbConnection connection, Guid id) =>
        connection.QuerySingleOrDefaultAsync<CaseloadRow>($"{Caseload} where child.id = @id", new { id });

    /// <summary>Adds a child.</summary>
    public static Task Add(DbConnection connection, Guid school, Child child, DateTime now) => connection.ExecuteAsync(
        "insert into child (school, id, alias, stage, added_at) values (@school, @Id, @Alias, @stage, @now)",
        new { school, child.Id, child.Alias, stage = (int)child.Stage, now });
}
