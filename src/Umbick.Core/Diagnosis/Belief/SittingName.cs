using System.Security.Cryptography;
using System.Text;
using Umbick.Core.Items;

namespace Umbick.Core.Diagnosis;

/// <summary>All of a sitting that what is believed after it depends on, without its answers.</summary>
/// <param name="Id">
/// What its answers are known by: two that have the same id hold the same answers and words. Null where nothing is to be remembered.
/// </param>
/// <param name="Day">Its day.</param>
/// <param name="Practised">The steps that it practised.</param>
/// <param name="Stage">How far times were taught; null where that is not known.</param>
public sealed record SittingName(string? Id, DateOnly Day, IReadOnlyCollection<Step> Practised, Stage? Stage)
{
    /// <summary>
    /// The name of where a replay stands after each of some sittings, in order: of the engine, of that sitting and of all before it. Null
    /// from the first one on that has no id.
    /// </summary>
    public static IReadOnlyList<string?> Chain(IEnumerable<SittingName> sittings)
    {
        var names = new List<string?>();
        var before = ReadingModel.Version;
        foreach (var sitting in sittings)
        {
            before = before is null || sitting.Id is null ? null : sitting.After(before);
            names.Add(before);
        }
        return names;
    }

    private string After(string before) => Convert.ToHexStringLower(SHA256.HashData(
        Encoding.UTF8.GetBytes($"{before} {Id} {Day:O} {(int?)Stage} {string.Join(',', Practised.Order().Select(step => (int)step))}")));
}
