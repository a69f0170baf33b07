using Umbick.Core.Timetabling;

namespace Umbick.Rows;

/// <summary>A barred time with its id.</summary>
public sealed record KeptBarredTime(Guid Id, BarredTime Barred);
