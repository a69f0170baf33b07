using Xunit.Sdk;
using Xunit.v3;

[assembly: TestCollectionOrderer(typeof(Umbick.Web.Tests.LongestFirst))]

namespace Umbick.Web.Tests;

/// <summary>
/// The classes that take longest begin first: at the end no worker waits for the last of them. What is not named comes after, as it was.
/// </summary>
public sealed class LongestFirst : ITestCollectionOrderer
{
    private static readonly string[] Long =
    [
        nameof(DeviceTests), nameof(EveryViewTests), nameof(TypingTests), nameof(EveryTaskTests), nameof(LooseHandsTests),
        nameof(EveryScreenTests), nameof(DoorTests), nameof(VisitTests), nameof(WholeWayRoundTests),
        nameof(EverySettingTests),
    ];

    public IReadOnlyCollection<TTestCollection> OrderTestCollections<TTestCollection>(IReadOnlyCollection<TTestCollection> testCollections)
        where TTestCollection : ITestCollection =>
        [.. testCollections.OrderBy(collection =>
            Array.FindIndex(Long, name =>
                collection.TestCollectionDisplayName.Contains($".{name} ", StringComparison.Ordinal)
                    || collection.TestCollectionDisplayName.EndsWith($".{name}", StringComparison.Ordinal)) is >= 0 and var at ? at
                    : Long.Length)];
}
