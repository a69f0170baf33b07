namespace Umbick.Rows;

/// <summary>A sitting with all that was asked and answered in it.</summary>
/// <param name="Sitting">The sitting.</param>
/// <param name="Child">Its child, as they are taught: what waits for them is not looked up.</param>
/// <param name="Rows">What was asked, and what was answered.</param>
public sealed record WholeSitting(Sitting Sitting, CaseloadRow Child, SittingRows Rows);
