using Umbick.Core.Timetabling;

namespace Umbick.Rows;

/// <summary>A barred time with its id.</summary>
public sealed record KeptBarredTime(BarredTimeId Id, BarredTime Barred);
