using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Options;
using Npgsql;

namespace Umbick.Hosting;

/// <summary>What a site stands on: its database, the keys of its cookies, and who signs in.</summary>
public static class SiteDatabase
{
    private const int MostConnections = 24;

    /// <summary>How long a database of one host is waited for, which is started again where it ends.</summary>
    private static readonly TimeSpan UntilItHasStarted = TimeSpan.FromSeconds(5);

    /// <summary>How long one of several hosts is waited for: until it is seen that one is lost, and another has taken its place.</summary>
    private static readonly TimeSpan UntilItHasMoved = TimeSpan.FromSeconds(45);

    /// <summary>Adds the database, the lock on it, what is thrown away hourly, and what <c>/ready</c> asks.</summary>
    /// <exception cref="InvalidOperationException">No connection is set.</exception>
    public static void AddDatabase(this IServiceCollection services, IConfiguration configuration)
    {
        var connection = configuration["UMBICK_APP"]
            ?? throw new InvalidOperationException(
            "UMBICK_APP, the site's connection to its database, is not set. Start it through ./umbick.");
        // The site asks the same few statements again and again: prepared once, they need not be parsed and planned each time.
        // Each connection plans them for itself: few are enough, for work in the database is short. Nothing is set on a connection beyond
        // its transaction, so that there is nothing to be reset before it is used again.
        var source = new NpgsqlConnectionStringBuilder(connection)
        {
            MaxAutoPrepare = 200,
            AutoPrepareMinUsages = 2,
            MaxPoolSize = MostConnections,
            ApplicationName = "umbick-site",
            NoResetOnClose = true,
        };
        source.Options = $"{source.Options} {Database.SiteLimits}".Trim();
        var several = DatabaseHosts.AreSeveral(source);
        // Of several hosts one that has stopped answering is left before what is asked of it would have ended by itself.
        if (several) (source.Timeout, source.CommandTimeout, source.CancellationTimeout) = (3, 8, 500);
        services.AddSingleton(DatabaseHosts.Source(source));
        services.AddSingleton(provider =>
            new Database(provider.GetRequiredService<NpgsqlDataSource>(), AuditLog.To(provider.GetRequiredService<ILoggerFactory>()),
                provider.GetRequiredService<RenewalList>().Add, several ? UntilItHasMoved : UntilItHasStarted));
        services.AddSingleton<IDatabase>(provider => provider.GetRequiredService<Database>());
        services.AddSingleton(new SiteLock(connection));
        services.AddHostedService<SiteLockHolder>();
        services.AddSingleton<SiteVersion>();
        services.AddHostedService(provider => provider.GetRequiredService<SiteVersion>());
        services.AddHostedService<Pruning>();
        services.AddSingleton<RenewalList>();
        services.AddSingleton(new RenewalLock(connection));
        services.AddHostedService<Renewal>();
        services.AddHealthChecks().AddCheck<DatabaseHealth>("database");
    }

    /// <summary>
    /// Adds the keys of cookies and forms, kept in the database and wrapped by the certificate that the configuration names.
    /// </summary>
    public static void AddKeys(this IServiceCollection services, IConfiguration configuration)
    {
        var keys = services.AddDataProtection().SetApplicationName("umbick");
        services.AddSingleton<IConfigureOptions<KeyManagementOptions>>(provider =>
            new ConfigureOptions<KeyManagementOptions>(options =>
                options.XmlRepository = new KeyRing(provider.GetRequiredService<Database>())));
        var wrapping = configuration["UMBICK_KEYS"] is { } certificate ? X509CertificateLoader.LoadPkcs12FromFile(certificate, null) : null;
        if (wrapping is not null) keys.ProtectKeysWithCertificate(wrapping);
        services.AddSingleton(new AddressHash(wrapping));
    }

    /// <summary>Adds the accounts, and where passwords, codes and links are tried.</summary>
    public static void AddAccounts(this IServiceCollection services)
    {
        services.AddSingleton<PasswordTurns>();
        services.AddSingleton<SignInDoor>();
        services.AddScoped<BackDoor>();
        services.AddSingleton<InvitationDoor>();
        services.AddSingleton<CalendarDoor>();
        services.AddSingleton<CodeDoor>();
        services.AddSingleton<PersonSchools>();
        services.Configure<PasswordHasherOptions>(options => options.IterationCount = Person.PasswordRounds);
        services.AddIdentityCore<Person>(options =>
        {
            // PasswordFaults has the only rule there is.
            (options.Password.RequiredLength, options.Password.RequireDigit, options.Password.RequireLowercase) = (1, false, false);
            (options.Password.RequireUppercase, options.Password.RequireNonAlphanumeric) = (false, false);
        }).AddUserStore<PeopleStore>().AddPasswordValidator<PasswordFaults>().AddClaimsPrincipalFactory<PersonClaims>().AddSignInManager()
            // Codes come from a device of one's own; nothing is sent by mail or telephone.
            .AddTokenProvider<TimeCodes>(TokenOptions.DefaultAuthenticatorProvider);
    }
}
