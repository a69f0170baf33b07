using System.Globalization;
using Serilog;
using Serilog.Core;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace Umbick.Web;

/// <summary>Logs that are kept: a file a day, structured, each no larger than 50 MB, for thirty-one days.</summary>
public static class KeptLogs
{
    private const int Days = 31;
    private const long Largest = 50_000_000;

    /// <summary>
    /// Keeps them in a folder; where none is named, the console has them all. What the console says is kept by nobody: beside a folder it
    /// tells only what went wrong.
    /// </summary>
    public static LoggerConfiguration ToConsoleAnd(this LoggerConfiguration logs, string? folder) => folder is not { Length: > 0 }
        ? logs.Enrich.With<WithoutAddresses>().WriteTo.Console(formatProvider: CultureInfo.InvariantCulture)
        : logs.Enrich.With<WithoutAddresses>().WriteTo.Console(LogEventLevel.Error, formatProvider: CultureInfo.InvariantCulture)
            .WriteTo.File(new CompactJsonFormatter(), Path.Combine(folder, "umbick-.log"), rollingInterval: RollingInterval.Day,
            retainedFileCountLimit: Days, fileSizeLimitBytes: Largest, rollOnFileSizeLimit: true);

    /// <summary>Takes away the address of the request that a line was written in: the ids of children stand in addresses.</summary>
    private sealed class WithoutAddresses : ILogEventEnricher
    {
        public void Enrich(LogEvent logEvent, ILogEventPropertyFactory propertyFactory) => logEvent.RemovePropertyIfPresent("RequestPath");
    }
}
