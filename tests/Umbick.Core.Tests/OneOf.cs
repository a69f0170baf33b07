using CsCheck;

namespace Umbick.Core.Tests;

internal static class OneOf
{
    public static Gen<T> These<T>(params T[] values) => Gen.Int[0, values.Length - 1].Select(i => values[i]);
}
