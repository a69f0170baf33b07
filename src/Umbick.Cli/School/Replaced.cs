using System.Globalization;
using Dapper;
using Npgsql;

namespace Umbick.Cli.School;

/// <summary>What a restore has put aside: the database as it was before, closed, for a week.</summary>
internal static class Replaced
{
    private const string Stamp = "yyyyMMdd't'HHmmss";

    private static readonly TimeSpan Kept = TimeSpan.FromDays(7);

    /// <summary>What the database is called that is put aside at a moment.</summary>
    public static string NameAt(DateTime moment) => Databases.Beside($"before_{moment.ToString(Stamp, CultureInfo.InvariantCulture)}");

    /// <summary><c>drop-replaced</c>: drops what was put aside.</summary>
    public static Task<int> DropAll() => VerbException.Report(async () =>
    {
        await using var home = await Databases.Home();
        var all = await All(home);
        foreach (var (name, _) in all) await Databases.Drop(name);
        Console.WriteLine(all.Count == 0 ? "Nothing was put aside." : $"Dropped {string.Join(", ", all.Select(each => each.Name))}.");
    });

    /// <summary>Drops what was put aside a week ago, and erases from the rest what was erased since.</summary>
    public static async Task Sweep(NpgsqlConnection connection, IReadOnlyList<Erasure> erased, DateTime now)
    {
        foreach (var (name, at) in await All(connection))
        {
            if (now - at > Kept) await Databases.Drop(name);
            else await Erase(name, erased);
        }
    }

    /// <summary>Erases from a database that is closed what is known to have been erased.</summary>
    public static async Task Erase(string name, IReadOnlyList<Erasure> erased)
    {
        if (erased.Count == 0) return;
        await Databases.Run($"alter database {name} allow_connections true");
        try
        {
            await using var connection = new NpgsqlConnection(Databases.To(name));
            await connection.OpenAsync();
            await Erasures.Apply(connection, erased);
        }
        finally
        {
            await Databases.Run($"alter database {name} allow_connections false");
        }
    }

    private static DateTime? MadeAt(string stamp) =>
        DateTime.TryParseExact(stamp, Stamp, CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal, out var at) ? at : null;

    private static async Task<List<(string Name, DateTime At)>> All(NpgsqlConnection connection)
    {
        var before = Databases.Beside("before_");
        var names = await connection.QueryAsync<string>(
            "select datname::text from pg_database where starts_with(datname::text, @before) order by datname", new { before });
        return [.. names.Select(name => (Name: name, At: MadeAt(name[before.Length..]))).Where(made => made.At is not null)
            .Select(made => (made.Name, made.At!.Value))];
    }
}
