using System.Collections.Concurrent;
using Npgsql;
using Umbick.Store;

namespace Umbick.Cli.School;

/// <summary>
/// The connections that the launcher gives: the owner's, who migrates and adds schools, and the backup's, who sees every row.
/// </summary>
internal static class Connections
{
    private static readonly ConcurrentDictionary<string, string> Found = [];

    static Connections() => Database.KnowIds();

    private const string OwnerWhat = "the owner's connection";

    /// <summary>The owner's connection.</summary>
    /// <exception cref="VerbException">It is not set.</exception>
    public static string Owner => Setting("UMBICK_OWNER", OwnerWhat);

    /// <summary>
    /// A connection for which row-level security does not hold: a superuser's, or one of a role with BYPASSRLS that may create databases.
    /// </summary>
    /// <exception cref="VerbException">It is not set.</exception>
    public static string Backup => Setting("UMBICK_BACKUP", "the connection that sees every row (a superuser, or a role with BYPASSRLS)");

    /// <summary>
    /// The owner's connection to another database of the server that is backed up, whether or not anybody is let in to their own.
    /// </summary>
    /// <exception cref="VerbException">It is not set.</exception>
    public static string OwnerOf(string database)
    {
        var server = new NpgsqlConnectionStringBuilder(Backup);
        return new NpgsqlConnectionStringBuilder(Given("UMBICK_OWNER", OwnerWhat))
        { Host = server.Host, Port = server.Port, Database = database, Pooling = false }.ConnectionString;
    }

    /// <summary>Does some work as the owner.</summary>
    public static async Task<T> AsOwner<T>(Func<Database, Task<T>> work)
    {
        await using var source = NpgsqlDataSource.Create(Owner);
        return await work(new Database(source));
    }

    /// <summary>The school with a name; where there is only one, none need be named.</summary>
    /// <exception cref="VerbException">There is none, or it is not clear which.</exception>
    public static async Task<Rows.School> School(Database database, string? name)
    {
        var schools = await database.BeforeSchool(Schools.All);
        return schools.Where(school => name is null || string.Equals(school.Name, name, StringComparison.OrdinalIgnoreCase)).ToList() switch
        {
            [var each] => each,
            [] when schools.Count == 0 => throw new VerbException("There is no school yet. ./umbick new-school makes one."),
            [] => throw new VerbException(
                $"No school is called “{name}”. There are: {string.Join(", ", schools.Select(school => school.Name))}."),
            _ => throw new VerbException(
                $"There are several schools: {string.Join(", ", schools.Select(school => school.Name))}. Say which with --school NAME."),
        };
    }

    /// <summary>A connection that is set; of several hosts the one that is written to now, for as long as this verb runs.</summary>
    private static string Setting(string name, string what) => Found.GetOrAdd(Given(name, what), DatabaseHosts.WrittenTo);

    private static string Given(string name, string what) => Environment.GetEnvironmentVariable(name) is { Length: > 0 } value ? value
        : throw new VerbException($"{name}, {what}, is not set. Start this through ./umbick.");
}
