using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Umbick.Casework;

namespace Umbick.Web.Pages.Visits;

/// <summary>A visit on the page of one of its devices.</summary>
/// <param name="Shown">The visit.</param>
/// <param name="Home">Where the page sends what is done.</param>
/// <param name="LetsIn">Whether the page is the first device's, which lets another in.</param>
/// <param name="Others">The devices that were opened by a code, and whether a code waits.</param>
public sealed record VisitView(VisitShown Shown, string Home, bool LetsIn, (IReadOnlyList<VisitDevice> Devices, bool CodeWaits) Others)
{
    /// <summary>A device that waits to be let in; null where none does.</summary>
    public VisitDevice? Waiting => LetsIn ? Others.Devices.LastOrDefault(device => device.IsWaiting) : null;

    /// <summary>The second adult's device, seen from the first; null where none is in.</summary>
    public VisitDevice? LetIn => LetsIn ? Others.Devices.FirstOrDefault(device => device.IsLetIn) : null;

    /// <summary>Whether the page has to ask each second what another device has done.</summary>
    public bool Follows => Shown.Visit.EndedAt is null && (!LetsIn || Others.CodeWaits || Others.Devices.Count > 0);

    /// <summary>What is shown: a page that knows it is told nothing new.</summary>
    public string Key => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(string.Join('|', Parts())))[..8]);

    private IEnumerable<string> Parts()
    {
        var (visit, at) = (Shown.Visit, Shown.At);
        yield return string.Create(CultureInfo.InvariantCulture, $"{visit.Part} {visit.Place} {visit.EndedAt:O}");
        foreach (var child in at.Children)
        {
            yield return $"{child.IsHere} {child.RoomClock?.Id} {child.At(visit.Part, visit.Place)?.Given?.Id} "
                + $"{child.At(visit.Part, visit.Place - 1)?.Given?.Id} {string.Join(',', child.Notes)} "
                + string.Join(',', child.Rungs.OrderBy(rung => rung.Key).Select(rung => $"{rung.Key}{rung.Value}"));
        }
        yield return $"{Waiting?.Id} {LetIn?.Id} {Others.CodeWaits}";
    }
}
