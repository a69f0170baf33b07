using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text;

namespace Umbick.Hosting;

/// <summary>
/// The hash under which an address is counted. It is made with the certificate that wraps the cookie keys, so that nobody who has the
/// database alone can tell an address from it, and every node makes the same.
/// </summary>
/// <param name="certificate">The certificate; null where there is none: then it holds for this process.</param>
public sealed class AddressHash(X509Certificate2? certificate)
{
    private readonly byte[] _key =
        certificate?.GetRSAPrivateKey()?.SignData("umbick addresses"u8.ToArray(), HashAlgorithmName.SHA256, RSASignaturePadding.Pkcs1)
            ?? RandomNumberGenerator.GetBytes(32);

    /// <summary>
    /// The hash of the address that a request comes from. Somebody at an address of the sixth version has all of its network: that is what
    /// counts.
    /// </summary>
    public byte[] HashOf(HttpContext context) =>
        HMACSHA256.HashData(_key, Encoding.ASCII.GetBytes(Network(context.Connection.RemoteIpAddress)));

    private static string Network(IPAddress? address) => address switch
    {
        null => "",
        { IsIPv4MappedToIPv6: true } => address.MapToIPv4().ToString(),
        { AddressFamily: AddressFamily.InterNetworkV6 } => Convert.ToHexString(address.GetAddressBytes(), 0, 8),
        _ => address.ToString(),
    };
}
