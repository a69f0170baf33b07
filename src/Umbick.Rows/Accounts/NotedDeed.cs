namespace Umbick.Rows;

/// <summary>Something that was noted as done, as a log may tell it: without any child.</summary>
public readonly record struct NotedDeed(SchoolId School, PersonId? Person, string What);
