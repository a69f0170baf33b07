using Umbick.Core.Practice;

namespace Umbick.Casework;

/// <summary>How a cold start came out.</summary>
/// <param name="Day">Its day.</param>
/// <param name="Right">How many of the telling items came right.</param>
/// <param name="Telling">How many there were.</param>
public sealed record ColdStartResult(DateOnly Day, int Right, int Telling)
{
    /// <summary>How one came out; null where nothing that tells was answered in it.</summary>
    public static ColdStartResult? Of(SittingRecord cold)
    {
        var telling = cold.Answered.Where(question => ColdStart.IsTelling(question.Asked.Place, cold.Sitting.Length)).ToList();
        return telling.Count == 0 ? null : new ColdStartResult(cold.Day, telling.Count(question => question.IsRight), telling.Count);
    }
}
