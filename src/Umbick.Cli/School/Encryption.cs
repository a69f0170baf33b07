using System.Diagnostics;

namespace Umbick.Cli.School;

/// <summary>
/// A dump that is encrypted by <c>age</c> to the school's public key as it is made, and decrypted as it is put back: it is never plain on
/// a disk. Whoever has the machine alone cannot read a backup.
/// </summary>
internal static class Encryption
{
    // A program on either side of a pipe that fails has the whole of it fail.
    private const string Out = "set -o pipefail; program=$1 recipient=$2 file=$3; shift 3; "
        + "if [ -f \"$recipient\" ]; then to=-R; else to=-r; fi; \"$program\" \"$@\" | age \"$to\" \"$recipient\" -o \"$file\"";

    private const string Back = "set -o pipefail; program=$1 identity=$2 file=$3; shift 3; "
        + "age -d -i \"$identity\" \"$file\" | \"$program\" \"$@\"";

    /// <summary>Runs a program of PostgreSQL and encrypts what it writes.</summary>
    /// <param name="program">The program.</param>
    /// <param name="connection">The connection.</param>
    /// <param name="recipient">A public key, or a file of them.</param>
    /// <param name="to">The file.</param>
    /// <param name="options">What the program is told.</param>
    /// <exception cref="VerbException">It failed.</exception>
    public static Task Encrypted(string program, string connection, string recipient, string to, params string[] options) =>
        PostgresProgram.Run(Piped(Out, program, recipient, to, options), program, connection);

    /// <summary>Runs a program of PostgreSQL on what is decrypted.</summary>
    /// <param name="program">The program.</param>
    /// <param name="connection">The connection.</param>
    /// <param name="identity">The file with the private key.</param>
    /// <param name="from">The file.</param>
    /// <param name="options">What the program is told.</param>
    /// <exception cref="VerbException">It failed.</exception>
    public static Task Decrypted(string program, string connection, string identity, string from, params string[] options) =>
        PostgresProgram.Run(Piped(Back, program, identity, from, options), program, connection);

    private static ProcessStartInfo Piped(string script, string program, string key, string file, string[] options) =>
        new("bash", ["-c", script, "bash", PostgresProgram.PathOf(program), key, file, .. options]);
}
