using System.Globalization;

namespace Umbick.Casework.Running;

/// <summary>
/// A clock that runs so many hours ahead: the demonstration looked at on another day, and tests of a school's morning in the evening.
/// </summary>
public sealed class AheadClock(TimeSpan ahead) : TimeProvider
{
    /// <summary>The variable that says how many hours.</summary>
    public const string Variable = "UMBICK_AHEAD";

    /// <summary>The clock to go by: the machine's own, unless the variable is set.</summary>
    public static TimeProvider FromEnvironment() =>
        double.TryParse(Environment.GetEnvironmentVariable(Variable), NumberStyles.Float, CultureInfo.InvariantCulture, out var hours)
            ? new AheadClock(TimeSpan.FromHours(hours)) : System;

    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + ahead;
}
