namespace Umbick.Rows;

/// <summary>One thing that somebody did.</summary>
/// <param name="Id">Its number.</param>
/// <param name="At">When.</param>
/// <param name="Who">The name of who did it; null where it was done on the server itself, or by somebody who was not let in.</param>
/// <param name="What">One of <see cref="AuditKinds"/>.</param>
/// <param name="Child">The child it was about; null where there is none, or they were erased.</param>
/// <param name="Alias">The child's alias now.</param>
/// <param name="Whom">The name of the colleague it was about.</param>
/// <param name="Detail">What else there is to say; never what a child answered.</param>
public sealed record AuditEntry(long Id, DateTime At, string? Who, string What, ChildId? Child, string? Alias, string? Whom, string Detail);

/// <summary>What can be done that is kept. These names stand in rows and never change.</summary>
public static class AuditKinds
{
    public const string SignedIn = "signed-in", WrongPassword = "wrong-password", SignedOut = "signed-out", SignedOutEverywhere =
        "signed-out-everywhere",
        NewPassword = "new-password", SecondFactorOn = "second-factor-on", SecondFactorOff = "second-factor-off", SecondStepStopped =
            "second-step-stopped",
        Invited = "invited", ResetLink = "reset-link", Joined = "joined", LetIn = "let-in", RoleChanged = "role-changed", Left = "left",
        SettingsChanged = "settings-changed", OpenedRecord = "opened-record", TookOut = "took-out", TookIn = "took-in", Erased = "erased",
        KeepUntil = "keep-until",
        Corrected = "corrected", Imported = "imported", Exported = "exported", YearsEnd = "years-end",
        CalendarMade = "calendar-made", CalendarWithdrawn = "calendar-withdrawn", ReportKept = "report-kept",
        CameBack = "came-back", WrongPin = "wrong-pin", PinOn = "pin-on", PinOff = "pin-off", PinAllowed = "pin-allowed", PinShut =
            "pin-shut";

    /// <summary>What each is called, in the order in which they can be chosen.</summary>
    public static IReadOnlyList<(string Id, string Told)> All { get; } =
    [
        (SignedIn, "signed in"),
        (WrongPassword, "a wrong password or code"),
        (CameBack, "came back by six figures after a child’s turn"),
        (WrongPin, "wrong figures after a child’s turn"),
        (SignedOut, "signed out"),
        (SignedOutEverywhere, "signed out everywhere"),
        (NewPassword, "has a new password"),
        (SecondFactorOn, "turned the second step on"),
        (SecondFactorOff, "turned the second step off"),
        (SecondStepStopped, "20 wrong codes in a day"),
        (PinOn, "chose six figures to come back by"),
        (PinOff, "comes back by their password again"),
        (PinAllowed, "let people come back by six figures"),
        (PinShut, "let nobody come back by six figures"),
        (Invited, "invited"),
        (ResetLink, "made a link to let in"),
        (LetIn, "was let in from the server"),
        (Joined, "joined the school"),
        (RoleChanged, "changed the role of"),
        (Left, "took out of the school"),
        (SettingsChanged, "changed settings"),
        (OpenedRecord, "opened a record"),
        (TookOut, "took a record out"),
        (TookIn, "took a record in"),
        (Erased, "erased a record"),
        (KeepUntil, "changed how long a record is kept"),
        (Corrected, "put an answer right"),
        (Imported, "read a file in"),
        (Exported, "wrote a file out"),
        (YearsEnd, "moved classes on"),
        (CalendarMade, "made a calendar address"),
        (CalendarWithdrawn, "withdrew a calendar address"),
        (ReportKept, "kept a report"),
    ];

    /// <summary>What one is called.</summary>
    public static string InWords(string what) => All.FirstOrDefault(each => each.Id == what) is { Told: { } told } ? told : what;
}
