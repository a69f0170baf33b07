namespace Umbick.Hosting;

/// <summary>Where codes are tried that open one sitting on a device of a child's.</summary>
public sealed class CodeDoor(Database database, AddressHash addresses)
{
    /// <summary>Tries a code.</summary>
    /// <param name="context">The request.</param>
    /// <param name="typed">What was typed.</param>
    /// <param name="press">Which press it was: the same press again opens what it opened before.</param>
    public Task<OpenedCode> Open(HttpContext context, string typed, PressId press) =>
        database.BeforeSchool(connection => Codes.Open(connection, typed, press, addresses.HashOf(context)), context.RequestAborted);
}
