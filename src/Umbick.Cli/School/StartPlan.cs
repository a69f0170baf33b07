using System.Globalization;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace Umbick.Cli.School;

/// <summary>
/// <c>start-plan</c>: reads how a site is to be reached, looks at the files, and tells the launcher, a setting a line. Whatever is wrong is
/// told before anything is started.
/// </summary>
internal static class StartPlan
{
    private const int PlainPort = 5180, TlsPort = 8443;

    public static Task<int> Run(string? certificate, string? key, string? proxy, string[] hosts, int? port) => VerbException.Report(() =>
    {
        if (certificate is not null && proxy is not null)
            throw new VerbException("Give a certificate or a proxy, not both: with a proxy the proxy has the certificate.");
        if (key is not null && certificate is null) throw new VerbException("--key goes with --certificate.");
        if ((certificate ?? proxy) is not null && hosts.Length == 0)
            throw new VerbException("Say by which name the site is reached: --host NAME.");
        if (Array.Find(hosts, host => Uri.CheckHostName(host) == UriHostNameType.Unknown) is { } odd)
            throw new VerbException($"“{odd}” is no name of a host, such as clock.skerry.example.");
        if (port is < 1 or > 65535) throw new VerbException($"There is no port {port}: a number from 1 to 65535.");
        if (proxy is not null && !IPAddress.TryParse(proxy, out _))
            throw new VerbException($"“{proxy}” is no address of a proxy, such as 127.0.0.1. The site believes that address alone.");
        var (certificateFile, keyFile) = (FileAt("certificate", certificate), FileAt("key", key));
        if (certificateFile is not null) Look(certificateFile, keyFile, hosts);
        var at = port ?? (certificate is null ? PlainPort : TlsPort);
        // A proxy on another machine reaches it from there; one on this machine needs nothing beyond it.
        var beyond = certificate is not null || (proxy is not null && !IPAddress.IsLoopback(IPAddress.Parse(proxy)));
        var scheme = certificate is null ? "http" : "https";
        var here = string.Create(CultureInfo.InvariantCulture, $"{scheme}://127.0.0.1:{at}");
        Tell("certificate", certificateFile);
        Tell("key", keyFile);
        Tell("proxy", proxy);
        Tell("hosts", string.Join(';', hosts));
        Tell("port", at.ToString(CultureInfo.InvariantCulture));
        Tell("here", here);
        Tell("urls", beyond ? string.Create(CultureInfo.InvariantCulture, $"{scheme}://[::]:{at}") : here);
        Tell("site", certificate is not null ? string.Create(CultureInfo.InvariantCulture, $"https://{hosts[0]}:{at}")
            : proxy is not null ? $"https://{hosts[0]}" : here);
        return Task.CompletedTask;
    });

    private static void Tell(string name, string? value) => Console.WriteLine($"{name}={value}");

    private static string? FileAt(string what, string? path)
    {
        if (path is null) return null;
        var full = Path.GetFullPath(path);
        return File.Exists(full) && !full.Contains('\n', StringComparison.Ordinal) ? full
            : throw new VerbException($"There is no file “{full}” with the {what}.");
    }

    private static void Look(string certificate, string? key, string[] hosts)
    {
        try
        {
            using var read = X509Certificate2.CreateFromPemFile(certificate, key);
            if (read.NotAfter <= DateTime.Now)
                throw new VerbException(
                    $"The certificate ended on {read.NotAfter.ToString("d MMMM yyyy", CultureInfo.InvariantCulture)}. Renew it, then "
                        + $"start again.");
            if (read.NotBefore > DateTime.Now)
                throw new VerbException(
                    $"The certificate holds from {read.NotBefore.ToString("d MMMM yyyy", CultureInfo.InvariantCulture)} on, which is not "
                        + $"yet. Is the machine’s clock right?");
            foreach (var host in hosts.Where(host => !read.MatchesHostname(host)))
                Console.Error.WriteLine($"umbick: the certificate is not for {host}: browsers will warn of it.");
        }
        catch (CryptographicException broken)
        {
            throw new VerbException($"{certificate} and its key cannot be read as PEM, or do not belong together: {broken.Message}");
        }
        catch (ArgumentException broken)
        {
            throw new VerbException($"{certificate} holds no certificate, or no key, as PEM: {broken.Message}");
        }
    }
}
