using Umbick.Core.Items;

namespace Umbick.Web.Pages;

/// <summary>The stages that can be chosen from, and the one that is.</summary>
public sealed record StagesToChoose(IReadOnlyList<Stage> Stages, Stage Chosen);
