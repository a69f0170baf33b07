using System.Net.Security;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace Umbick.Web.Security;

/// <summary>
/// The site's certificate, as its file holds it now: one that is renewed is used from the next visitor on, and nothing is started anew. A
/// file that cannot be read, as one that is half written, leaves the certificate from before.
/// </summary>
public sealed class SiteCertificate
{
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(5);

    private readonly string _certificate;
    private readonly string? _key;
    private readonly TimeProvider _clock;
    private readonly Lock _lock = new();
    private (SslStreamCertificateContext Context, DateTime Written, DateTimeOffset Looked) _now;

    /// <summary>Reads the certificate, with the certificates between it and its root.</summary>
    /// <exception cref="CryptographicException">It cannot be read.</exception>
    public SiteCertificate(string certificate, string? key, TimeProvider clock)
    {
        (_certificate, _key, _clock) = (certificate, key, clock);
        var written = Written;
        _now = (Read(), written, clock.GetUtcNow());
    }

    /// <summary>The certificate to speak TLS by.</summary>
    public SslStreamCertificateContext Current
    {
        get
        {
            lock (_lock)
            {
                var now = _clock.GetUtcNow();
                if (now - _now.Looked < Between) return _now.Context;
                _now.Looked = now;
                var written = Written;
                if (written == _now.Written) return _now.Context;
                try
                {
                    _now = (Read(), written, now);
                }
                catch (Exception broken) when (broken is CryptographicException or IOException or ArgumentException)
                {
                    // It is looked at again; that it is about to end is told by the page and the verb that say whether all is well.
                }
                return _now.Context;
            }
        }
    }

    private DateTime Written => new[] { _certificate, _key ?? _certificate }.Select(File.GetLastWriteTimeUtc).Max();

    private SslStreamCertificateContext Read()
    {
        using var pem = X509Certificate2.CreateFromPemFile(_certificate, _key);
        var between = new X509Certificate2Collection();
        between.ImportFromPemFile(_certificate);
        // A key that lives in memory alone cannot be used by every platform's TLS.
        return SslStreamCertificateContext.Create(
            X509CertificateLoader.LoadPkcs12(pem.Export(X509ContentType.Pkcs12), null), between, offline: true);
    }

    /// <summary>Has the site speak TLS by the certificate that the configuration names, if it names one.</summary>
    public static void AddTo(WebApplicationBuilder builder)
    {
        if (builder.Configuration["UMBICK_CERTIFICATE"] is not { Length: > 0 } file) return;
        var key = builder.Configuration["UMBICK_CERTIFICATE_KEY"] is { Length: > 0 } named ? named : null;
        var certificate = new SiteCertificate(file, key, TimeProvider.System);
        builder.WebHost.ConfigureKestrel(server => server.ConfigureHttpsDefaults(https =>
        {
            https.ServerCertificate = certificate.Current.TargetCertificate;
            https.OnAuthenticate = (_, tls) => tls.ServerCertificateContext = certificate.Current;
        }));
    }
}
