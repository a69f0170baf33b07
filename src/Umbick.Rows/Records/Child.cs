using Umbick.Core.Items;

namespace Umbick.Rows;

/// <summary>A child, by alias.</summary>
public sealed record Child(ChildId Id, string Alias, Stage Stage);
