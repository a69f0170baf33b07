using System.Data.Common;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Dapper;

namespace Umbick.Store;

/// <summary>Codes by which a child's own device opens one sitting, once.</summary>
public static class Codes
{
    /// <summary>How long a code can be used.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromMinutes(10);

    /// <summary>Makes a code for a sitting; those made for it before open nothing more.</summary>
    public static async Task<string> Make(SchoolConnection connection, SittingId sitting, DateTime now)
    {
        await Close(connection, sitting, now);
        var mark = await connection.QuerySingleAsync<string>("select mark from school");
        while (true)
        {
            var code = new CodeText(mark,
                RandomNumberGenerator.GetInt32((int)Math.Pow(10, CodeText.Drawn)).ToString($"D{CodeText.Drawn}",
                    CultureInfo.InvariantCulture));
            var made = await connection.ExecuteAsync(
                "insert into device_code (school, sitting, hash, expires_at) values (@school, @sitting, @hash, @expires) on conflict do "
                    + "nothing",
                new { school = connection.School, sitting, hash = HashOf(code), expires = now + Lasts });
            if (made == 1) return code.ToString();
        }
    }

    /// <summary>Has every code of a sitting open nothing any more.</summary>
    public static Task Close(SchoolConnection connection, SittingId sitting, DateTime now) =>
        connection.ExecuteAsync("update device_code set expires_at = @now where sitting = @sitting and expires_at > @now",
            new { sitting, now });

    /// <summary>Opens the sitting of a code as it was typed, before any school is known.</summary>
    /// <param name="connection">A connection without a school.</param>
    /// <param name="typed">What was typed.</param>
    /// <param name="press">Which press of which form this is: sent twice within a minute, it opens the same twice.</param>
    /// <param name="address">The hash of the address that it comes from.</param>
    public static async Task<OpenedCode> Open(DbConnection connection, string typed, PressId press, byte[] address)
    {
        if (CodeText.Read(typed) is not { } code) return new OpenedCode(CodeOutcome.Mistyped, default, default);
        var (outcome, school, sitting) = await connection.QuerySingleAsync<(string Outcome, SchoolId? School, SittingId? Sitting)>(
            "select outcome, opened_school, opened_sitting from open_code(@mark, @hash, @press, @address)",
            new { mark = code.Mark, hash = HashOf(code), press, address });
        return new OpenedCode(Enum.Parse<CodeOutcome>(outcome, ignoreCase: true), school ?? default, sitting ?? default);
    }

    private static byte[] HashOf(CodeText code) => SHA256.HashData(Encoding.ASCII.GetBytes($"umbick {code.Mark} {code.Figures}"));
}
