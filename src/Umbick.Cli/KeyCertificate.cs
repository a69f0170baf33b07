using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace Umbick.Cli;

/// <summary>
/// The certificate that wraps the keys in the database. It stays outside the database, so that nobody can forge a sign-in from a backup.
/// </summary>
internal static class KeyCertificate
{
    public static void Make(string path)
    {
        if (File.Exists(path) || OperatingSystem.IsWindows()) return;
        using var key = RSA.Create(3072);
        var request = new CertificateRequest("CN=Umbick keys", key, HashAlgorithmName.SHA256, RSASignaturePadding.Pkcs1);
        using var certificate = request.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddYears(20));
        var options = new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.Write,
            UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite
        };
        using var file = new FileStream(path, options);
        file.Write(certificate.Export(X509ContentType.Pfx));
    }
}
