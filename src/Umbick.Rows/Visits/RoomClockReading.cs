using Umbick.Core.Clocks;

namespace Umbick.Rows;

/// <summary>What a child read off the room's own clock.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Child">The child.</param>
/// <param name="ClockTime">The time that it was.</param>
/// <param name="Raw">What the child said.</param>
public sealed record RoomClockReading(AnswerId Id, ChildId Child, string ClockTime, string Raw)
{
    /// <summary>What the child said, as it is read on a page.</summary>
    public string Said => InWords(Raw);

    /// <summary>What was typed, as it is read on a page: a sign that stands for an answer is told in words.</summary>
    public static string InWords(string raw) => AnswerParser.Parse(raw) switch
    {
        (SaidRight or NoAnswer or DontKnow) and var answer => answer.Short(Wording.Usual),
        _ => raw,
    };
}
