using System.Data.Common;
using Dapper;

namespace Umbick.Store;

/// <summary>The site's cookie keys, so that every node has them. They are wrapped before they come here.</summary>
public static class CookieKeys
{
    /// <summary>Every key, as XML.</summary>
    public static Task<IEnumerable<string>> All(DbConnection connection) => connection.QueryAsync<string>("select read_keys()");

    /// <summary>Adds a key.</summary>
    public static Task Add(DbConnection connection, string name, string xml) =>
        connection.ExecuteAsync("select add_key(@name, @xml)", new { name, xml });
}
