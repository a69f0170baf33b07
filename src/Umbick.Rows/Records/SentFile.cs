namespace Umbick.Rows;

/// <summary>A file that was sent: first it is only read, then, when that is wanted, taken in.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it was called.</param>
/// <param name="HoldsAnswers">Whether its lines are answers; else they are children.</param>
/// <param name="Lines">How many lines it has.</param>
/// <param name="Done">How many of them are done.</param>
/// <param name="Running">Whether it is being read or taken in, or waits for that.</param>
/// <param name="DryRun">Whether it was only read so far.</param>
/// <param name="Report">What came of it, as JSON; null while it runs and when it failed.</param>
/// <param name="IsLeft">Whether it runs, and nobody is at it: a site that was at it has ended.</param>
public sealed record SentFile(
    FileJobId Id, string Name, bool HoldsAnswers, int Lines, int Done, bool Running, bool DryRun, string? Report, bool IsLeft);

/// <summary>A file that somebody has begun to work at.</summary>
/// <param name="Content">What it holds.</param>
/// <param name="Person">Who sent it.</param>
/// <param name="DryRun">Whether it is only to be read.</param>
/// <param name="OnCaseload">Whether children who are new to the school go on the caseload.</param>
public sealed record ClaimedFile(byte[] Content, PersonId Person, bool DryRun, bool OnCaseload);
