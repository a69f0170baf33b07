
namespace Umbick.Hosting;

/// <summary>Who did what, as log lines: what stands in the database's table too, but without any child.</summary>
public static partial class AuditLog
{
    /// <summary>What tells a log of each deed, once it is kept.</summary>
    public static Action<NotedDeed> To(ILoggerFactory logs)
    {
        var log = logs.CreateLogger("Umbick.Audit");
        return deed => Noted(log, deed.What, deed.Person, deed.School);
    }

    [LoggerMessage(Level = LogLevel.Information, Message = "{What} by {Person} at {School}")]
    private static partial void Noted(ILogger log, string what, PersonId? person, SchoolId school);
}
