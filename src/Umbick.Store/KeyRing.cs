using System.Xml.Linq;
using Dapper;
using Microsoft.AspNetCore.DataProtection.Repositories;

namespace Umbick.Store;

/// <summary>The site's cookie keys, kept in the database so that every node has them; a certificate outside it wraps them.</summary>
public sealed class KeyRing(Database database) : IXmlRepository
{
    public IReadOnlyCollection<XElement> GetAllElements() =>
        [.. database.BeforeSchool(connection => connection.QueryAsync<string>("select read_keys()")).GetAwaiter().GetResult().Select(XElement.Parse)];

    public void StoreElement(XElement element, string friendlyName) =>
        database.BeforeSchool(connection => connection.ExecuteAsync(
            "select add_key(@friendlyName, @xml)", new { friendlyName, xml = element.ToString(SaveOptions.DisableFormatting) })).GetAwaiter().GetResult();
}
