using Umbick.Core.Clocks;
using Umbick.Core.Items;

namespace Umbick.Casework;

/// <summary>Reads what stands in rows: only the text is kept, so that better reading reads old answers again.</summary>
public static class AnswerReading
{
    /// <summary>What is read in an answer. A row that cannot be understood is read as nothing, and never throws.</summary>
    public static Answer ReadFor(this AnswerRow row, Item item) => row.KnownMode is null ? new Unread(row.Raw)
        : item.Read(row.Raw, row.Typist);

    /// <summary>What is read in the child's first answer, where the child then put it right; else null.</summary>
    public static Answer? FirstFor(this AnswerRow row, Item item) => row.FirstRaw is null ? null : item.Read(row.FirstRaw, row.Typist);
}
