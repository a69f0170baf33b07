using System.Data.Common;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Dapper;

namespace Umbick.Store;

/// <summary>What became of a code that somebody typed.</summary>
/// <param name="Outcome">Whether it opened a sitting.</param>
/// <param name="School">The school.</param>
/// <param name="Sitting">The sitting that it opens.</param>
public sealed record OpenedCode(CodeOutcome Outcome, Guid School, SittingId Sitting);

/// <summary>Whether a code opened.</summary>
public enum CodeOutcome
{
    /// <summary>It opened its sitting, and will not again.</summary>
    Opened,

    /// <summary>There is no such code, or it was used, or its minutes are over.</summary>
    Wrong,

    /// <summary>Too many wrong ones were tried under its mark; none is taken for a while.</summary>
    Wait,
}

/// <summary>Codes by which a child's own device opens one sitting, once.</summary>
public static class Codes
{
    /// <summary>How long a code can be used.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromMinutes(10);

    /// <summary>How many wrong codes a mark may see within <see cref="Lasts"/>.</summary>
    public const int MostWrong = 20;

    private const int Figures = 6;

    /// <summary>Makes a code for a sitting; those made for it before open nothing more.</summary>
    public static async Task<string> Make(SchoolConnection connection, SittingId sitting, DateTime now)
    {
        await connection.ExecuteAsync("update device_code set expires_at = @now where sitting = @sitting and expires_at > @now", new { sitting, now });
        var mark = await connection.QuerySingleAsync<string>("select mark from school");
        while (true)
        {
            var figures = RandomNumberGenerator.GetInt32((int)Math.Pow(10, Figures)).ToString($"D{Figures}", CultureInfo.InvariantCulture);
            var made = await connection.ExecuteAsync(
                "insert into device_code (school, sitting, hash, expires_at) values (@school, @sitting, @hash, @expires) on conflict do nothing",
                new { school = connection.School, sitting, hash = HashOf(mark, figures), expires = now + Lasts });
            if (made == 1) return $"{mark} {figures}";
        }
    }

    /// <summary>Opens the sitting of a code as it was typed, before any school is known.</summary>
    public static async Task<OpenedCode> Open(DbConnection connection, string typed)
    {
        var plain = string.Concat(typed.Where(char.IsAsciiLetterOrDigit)).ToUpperInvariant();
        if (plain.Length != 3 + Figures) return new OpenedCode(CodeOutcome.Wrong, default, default);
        var (outcome, school, sitting) = await connection.QuerySingleAsync<(string Outcome, Guid? School, SittingId? Sitting)>(
            "select outcome, opened_school, opened_sitting from open_code(@mark, @hash, @MostWrong, @Lasts)",
            new { mark = plain[..3], hash = HashOf(plain[..3], plain[3..]), MostWrong, Lasts });
        return new OpenedCode(Enum.Parse<CodeOutcome>(outcome, ignoreCase: true), school ?? default, sitting ?? default);
    }

    private static byte[] HashOf(string mark, string figures) => SHA256.HashData(Encoding.ASCII.GetBytes($"umbick {mark} {figures}"));
}
