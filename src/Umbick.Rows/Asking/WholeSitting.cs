using Umbick.Core.Teaching;

namespace Umbick.Rows;

/// <summary>A sitting with all that was asked and answered in it.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Preferences">How clocks are taught, said and drawn for its child.</param>
/// <param name="Rows">What was asked, and what was answered.</param>
public sealed record WholeSitting(Sitting Sitting, TeachingPreferences Preferences, SittingRows Rows);
