using System.Xml.Linq;
using Microsoft.AspNetCore.DataProtection.Repositories;

namespace Umbick.Hosting;

/// <summary>The site's cookie keys, kept in the database so that every node has them; a certificate outside it wraps them.</summary>
public sealed class KeyRing(Database database) : IXmlRepository
{
    public IReadOnlyCollection<XElement> GetAllElements() =>
        [.. database.BeforeSchool(CookieKeys.All).GetAwaiter().GetResult().Select(XElement.Parse)];

    public void StoreElement(XElement element, string friendlyName)
    {
        var xml = element.ToString(SaveOptions.DisableFormatting);
        database.BeforeSchool(connection => CookieKeys.Add(connection, friendlyName, xml)).GetAwaiter().GetResult();
    }
}
