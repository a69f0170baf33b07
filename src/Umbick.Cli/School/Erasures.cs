using System.Globalization;
using Dapper;
using Npgsql;

namespace Umbick.Cli.School;

/// <summary>A record that was erased: the school, the hash of the child's id, the day. No alias, and no id.</summary>
internal sealed record Erasure(SchoolId School, string ChildHash, DateOnly Day);

/// <summary>
/// What was erased stays erased: each backup writes what its database knows of it beside it, and a restore applies what the database, the
/// folder and the backup know, so that no backup from before brings a record back, also on a new machine.
/// </summary>
internal static class Erasures
{
    private const string FileName = "umbick-erased.csv";

    /// <summary>What a database knows; nothing where it is older than the table, or not there.</summary>
    public static async Task<IReadOnlyList<Erasure>> In(NpgsqlConnection connection) =>
        await connection.ExecuteScalarAsync<bool>("select to_regclass('erasure') is not null")
        ? [.. (await connection.QueryAsync<(SchoolId School, string Hash, DateOnly Day)>(
        "select school, encode(child_hash, 'hex'), day from erasure order by day, school, child_hash"))
            .Select(row => new Erasure(row.School, row.Hash, row.Day))]
        : [];

    /// <summary>What the file in a folder knows; nothing where there is none.</summary>
    /// <exception cref="VerbException">It cannot be read.</exception>
    public static async Task<IReadOnlyList<Erasure>> In(string folder)
    {
        var path = Path.Combine(folder, FileName);
        if (!File.Exists(path)) return [];
        var known = new List<Erasure>();
        foreach (var (line, i) in (await File.ReadAllLinesAsync(path)).Select((line, i) => (line, i)).Skip(1))
        {
            known.Add(line.Split(',') is [var school, { Length: 64 } hash, var day] && SchoolId.TryParse(school, null, out var id)
                && hash.All(char.IsAsciiHexDigit)
                && DateOnly.TryParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var read)
                ? new Erasure(id, hash.ToLowerInvariant(), read)
                : throw new VerbException(
                $"{path}, line {i + 1}, cannot be read: it says which records were erased. Take the file from another copy of the folder, "
                    + $"or mend the line."));
        }
        return known;
    }

    /// <summary>Writes the file of a folder: what it knew, and what is known now.</summary>
    public static async Task Write(string folder, IReadOnlyList<Erasure> known)
    {
        var all = (await In(folder)).Concat(known).DistinctBy(erasure => (erasure.School, erasure.ChildHash))
            .OrderBy(erasure => erasure.Day).ThenBy(erasure => erasure.ChildHash, StringComparer.Ordinal).ToList();
        if (all.Count == 0) return;
        var path = Path.Combine(folder, FileName);
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows()) options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        await using (var file = new StreamWriter($"{path}.part", options))
        {
            await file.WriteLineAsync("school,child_hash,day");
            foreach (var each in all)
                await file.WriteLineAsync(
                    string.Create(CultureInfo.InvariantCulture, $"{each.School},{each.ChildHash},{each.Day:yyyy-MM-dd}"));
        }
        File.Move($"{path}.part", path, overwrite: true);
    }

    /// <summary>Erases from a database what is known to have been erased, and has it know so too.</summary>
    /// <returns>How many records were erased again, of each school.</returns>
    public static async Task<IReadOnlyDictionary<string, int>> Apply(NpgsqlConnection connection, IReadOnlyList<Erasure> known)
    {
        var erased = new SortedDictionary<string, int>(StringComparer.Ordinal);
        if (known.Count == 0 || !await connection.ExecuteScalarAsync<bool>("select to_regclass('child') is not null")) return erased;
        await using var transaction = await connection.BeginTransactionAsync();
        foreach (var (school, name) in (await connection.QueryAsync<(SchoolId, string)>("select id, name from school")).ToList())
        {
            var hashes = known.Where(erasure => erasure.School == school).Select(erasure => erasure.ChildHash).ToArray();
            if (hashes.Length == 0) continue;
            await connection.ExecuteAsync("select set_config('umbick.school', @school, true)", new { school = school.ToString() });
            var children = (await connection.QueryAsync<(ChildId Id, string Alias)>(
                "select id, alias from child where school = @school and encode(sha256(convert_to(id::text, 'UTF8')), 'hex') = any(@hashes)",
                new { school, hashes })).ToList();
            foreach (var (id, alias) in children)
            {
                if (!await connection.ExecuteScalarAsync<bool>("select to_regprocedure('erase_child(uuid,text)') is not null"))
                    throw new VerbException(
                        $"{name} has erased a record that this backup holds, and its version cannot erase. Leave --as-it-was out.");
                await connection.ExecuteAsync("select erase_child(@id, @alias)", new { id, alias });
            }
            if (children.Count > 0) erased[name] = children.Count;
        }
        if (await connection.ExecuteScalarAsync<bool>("select to_regclass('erasure') is not null"))
        {
            await connection.ExecuteAsync(
                """
                insert into erasure (school, child_hash, day)
                select one.school, decode(one.hash, 'hex'), one.day from unnest(@schools, @hashes, @days) as one (school, hash, day)
                  join school on school.id = one.school on conflict do nothing
                """,
                new
                {
                    schools = known.Select(erasure => erasure.School).ToArray(),
                    hashes = known.Select(erasure => erasure.ChildHash).ToArray(),
                    days = known.Select(erasure => erasure.Day).ToArray()
                });
        }
        await transaction.CommitAsync();
        return erased;
    }
}
