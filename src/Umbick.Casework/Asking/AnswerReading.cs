using Umbick.Core.Clocks;
using Umbick.Core.Items;
using Umbick.Core.Teaching;

namespace Umbick.Casework;

/// <summary>Reads what stands in rows: only the text is kept, so that better reading reads old answers again.</summary>
public static class AnswerReading
{
    /// <summary>What is read in an answer. A row that cannot be understood is read as nothing, and never throws.</summary>
    public static Answer ReadFor(this AnswerRow row, Item item, TeachingPreferences preferences) =>
        row.KnownMode is null ? new Unread(row.Raw) : Meant(item.Read(row.Raw, row.Typist), preferences);

    /// <summary>What is read in the child's first answer, where the child then put it right; else null.</summary>
    public static Answer? FirstFor(this AnswerRow row, Item item, TeachingPreferences preferences) =>
        row.FirstRaw is null ? null : Meant(item.Read(row.FirstRaw, row.Typist), preferences);

    private static Answer Meant(Answer read, TeachingPreferences preferences) =>
        read is AmbiguousHalf half ? half.As(preferences.HalfHour) : read;
}
