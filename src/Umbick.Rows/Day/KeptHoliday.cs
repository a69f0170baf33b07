using Umbick.Core.Timetabling;

namespace Umbick.Rows;

/// <summary>A holiday with its id.</summary>
public sealed record KeptHoliday(HolidayId Id, Holiday Holiday);
