using System.Net;
using System.Net.Security;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Umbick.Web.Security;

namespace Umbick.Web.Tests;

/// <summary>A certificate that is renewed in its file is used without the site's being started anew.</summary>
public sealed class SiteCertificateTests : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("umbick-certificate-");

    private string Certificate => Path.Combine(_folder.FullName, "site.pem");

    private string Key => Path.Combine(_folder.FullName, "key.pem");

    public void Dispose() => _folder.Delete(recursive: true);

    [Fact]
    public async Task The_site_that_runs_shows_the_renewed_one()
    {
        var first = Write();
        var address = new Uri($"https://127.0.0.1:{RunningSite.FreePort()}");
        using var site = await SiteProcess.Start(address, asked: "/alive", settings: new()
        {
            ["UMBICK_CERTIFICATE"] = Certificate,
            ["UMBICK_CERTIFICATE_KEY"] = Key,
            ["UMBICK_HOSTS"] = "127.0.0.1",
        });
        Assert.Equal(first, await Shown(address));
        var second = Write();
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        while (await Shown(address) != second) await Task.Delay(200, patience.Token);
    }

    [Fact]
    public void One_that_is_half_written_leaves_the_one_from_before()
    {
        var clock = new TurnedClock();
        var first = Write();
        var certificate = new SiteCertificate(Certificate, Key, clock);
        File.WriteAllText(Certificate, "-----BEGIN CERTIFICATE-----\nhalf");
        Assert.Equal(first, Later());
        Assert.NotEqual(first, Write());
        Assert.NotEqual(first, Later());

        string Later()
        {
            clock.Ahead += TimeSpan.FromMinutes(1);
            return certificate.Current.TargetCertificate.SerialNumber;
        }
    }

    /// <summary>Writes a certificate and its key; returns its serial number.</summary>
    private string Write()
    {
        using var pair = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var names = new SubjectAlternativeNameBuilder();
        names.AddIpAddress(IPAddress.Loopback);
        var asked = new CertificateRequest("CN=clock.skerry.example", pair, HashAlgorithmName.SHA256);
        asked.CertificateExtensions.Add(names.Build());
        using var made = asked.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(30));
        File.WriteAllText(Key, pair.ExportPkcs8PrivateKeyPem());
        File.WriteAllText(Certificate, made.ExportCertificatePem());
        return made.SerialNumber;
    }

    /// <summary>The serial number of the certificate that a new visitor is shown.</summary>
    private static async Task<string> Shown(Uri address)
    {
        using var client = new System.Net.Sockets.TcpClient();
        await client.ConnectAsync(address.Host, address.Port, TestContext.Current.CancellationToken);
#pragma warning disable CA5359 // It is the test's own.
        await using var tls = new SslStream(client.GetStream(), false, (_, _, _, _) => true);
#pragma warning restore CA5359
        await tls.AuthenticateAsClientAsync(address.Host);
        return tls.RemoteCertificate!.GetSerialNumberString();
    }

    /// <summary>A clock that is turned on by hand.</summary>
    private sealed class TurnedClock : TimeProvider
    {
        public TimeSpan Ahead { get; set; }

        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + Ahead;
    }
}
