using System.Globalization;
using System.Text.RegularExpressions;
using Npgsql;

namespace Umbick.Web.Tests;

/// <summary>
/// The statements that pages send most often in a district, as PostgreSQL has counted them, and by which plan each of them is answered:
/// planned for the role of a site, behind row security, without knowing what is asked for.
/// </summary>
public static partial class DistrictPlans
{
    /// <summary>Forgets what was counted.</summary>
    public static async Task CountFromNow()
    {
        await using var super = NpgsqlDataSource.Create(Counted);
        await using var forget = super.CreateCommand("select pg_stat_statements_reset()");
        await forget.ExecuteNonQueryAsync();
    }

    /// <summary>The most frequent of a district, each with its plan, as a table.</summary>
    /// <param name="count">How many.</param>
    /// <param name="school">A school, for whom it is planned.</param>
    public static async Task<IReadOnlyList<string>> OfTheMostFrequent(int count, SchoolId school)
    {
        var lines = new List<string> { "| statement | calls | ms each | by |", "|---|---|---|---|" };
        await using var site = await NpgsqlDataSource.Create(Site.Setting("UMBICK_APP")).OpenConnectionAsync();
        await Run(site, $"set plan_cache_mode = force_generic_plan; set umbick.school = '{school}'");
        foreach (var (text, calls, each) in await MostFrequent(count * 3))
        {
            if (lines.Count == count + 2) break;
            if (await Plan(site, text) is not { } plan) continue;
            lines.Add(string.Create(CultureInfo.InvariantCulture, $"| `{Short(text)}` | {calls} | {each:0.00} | {plan} |"));
        }
        return lines;
    }

    /// <summary>The view stands beside the district, so that no backup of it has it.</summary>
    private static string Counted => Site.Setting("UMBICK_BACKUP").Replace("Database=umbick", "Database=postgres",
        StringComparison.Ordinal);

    private static async Task<List<(string Text, long Calls, double Each)>> MostFrequent(int count)
    {
        await using var super = NpgsqlDataSource.Create(Counted);
        await using var asked = super.CreateCommand("""
            select query, calls, mean_exec_time from pg_stat_statements
            where dbid = (select oid from pg_database where datname = 'umbick') and userid = 'umbick_app'::regrole
              and query ~* '^\s*(with|select|insert|update|delete)' and query ~* '\m(from|into|update)\M'
            order by calls desc limit $1
            """);
        asked.Parameters.Add(new() { Value = count });
        await using var rows = await asked.ExecuteReaderAsync();
        var found = new List<(string, long, double)>();
        while (await rows.ReadAsync()) found.Add((rows.GetString(0), rows.GetInt64(1), rows.GetDouble(2)));
        return found;
    }

    /// <summary>What a statement reads, and by which index; null for one that is none by itself.</summary>
    private static async Task<string?> Plan(NpgsqlConnection site, string text)
    {
        var values = Parameter().Matches(text).Select(match => match.Value).Distinct().Count();
        var given = values == 0 ? "" : $"({string.Join(", ", Enumerable.Repeat("null", values))})";
        try
        {
            await Run(site, $"prepare asked as {text}");
            await using var explain = new NpgsqlCommand($"explain (costs off) execute asked{given}", site);
            await using var rows = await explain.ExecuteReaderAsync();
            var reads = new List<string>();
            while (await rows.ReadAsync())
            {
                if (Read().Match(rows.GetString(0)) is { Success: true } read)
                    reads.Add(read.Groups["index"] is { Success: true } index ? index.Value : $"all of {read.Groups["table"].Value}");
            }
            return string.Join(", ", reads.Distinct());
        }
        catch (PostgresException)
        {
            return null;
        }
        finally
        {
            await Run(site, "deallocate all");
        }
    }

    private static async Task Run(NpgsqlConnection site, string text)
    {
        await using var command = new NpgsqlCommand(text, site);
        await command.ExecuteNonQueryAsync();
    }

    private static string Short(string text)
    {
        var line = Space().Replace(text, " ").Trim();
        return (line.Length > 90 ? line[..90] + "…" : line).Replace("|", "\\|", StringComparison.Ordinal);
    }

    [GeneratedRegex(@"\$\d+")]
    private static partial Regex Parameter();

    [GeneratedRegex(@"Index (?:Only )?Scan(?: Backward)? using (?<index>\S+)|Bitmap Index Scan on (?<index>\S+)|Seq Scan on (?<table>\S+)")]
    private static partial Regex Read();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Space();
}
