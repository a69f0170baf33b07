using System.Net;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;

namespace Umbick.Web.Security;

/// <summary>
/// How the site may be reached. Plain HTTP is for this machine alone: beyond it the site speaks TLS itself, or stands behind one proxy that
/// is named.
/// </summary>
/// <param name="Proxy">The address of the proxy; null where there is none.</param>
/// <param name="Hosts">The names by which the site is reached.</param>
/// <param name="IsSecure">Whether whoever comes is on TLS, so that cookies need it.</param>
public sealed record Transport(IPAddress? Proxy, IReadOnlyList<string> Hosts, bool IsSecure)
{
    private static readonly string[] ThisMachine = ["localhost", "127.0.0.1", "[::1]"];

    /// <summary>
    /// Reads it off the configuration: <c>urls</c>, <c>UMBICK_PROXY</c> (an address) and <c>UMBICK_HOSTS</c> (names, parted by semicolons).
    /// </summary>
    /// <exception cref="InvalidOperationException">It would be plain HTTP beyond this machine, or by any name; the message says how it can
    /// be.</exception>
    public static Transport From(IConfiguration configuration)
    {
        var addresses = (configuration[WebHostDefaults.ServerUrlsKey] ?? "http://127.0.0.1:5180").Split(';',
            StringSplitOptions.RemoveEmptyEntries).Select(BindingAddress.Parse).ToList();
        var proxy = configuration["UMBICK_PROXY"] is { Length: > 0 } text
            ? IPAddress.TryParse(text, out var address) ? address
            : throw new InvalidOperationException($"UMBICK_PROXY is “{text}”. It has to be the proxy's address, like 127.0.0.1.")
            : null;
        var beyond = addresses.FindAll(each => !IsHere(each.Host));
        if (proxy is null && beyond.Exists(each => each.Scheme == Uri.UriSchemeHttp))
            throw new InvalidOperationException(
                "The site would be reached by plain HTTP from other machines. Give it a certificate and an https address, or name the "
                    + "proxy that it stands behind in UMBICK_PROXY.");
        string[] hosts = [.. (configuration["UMBICK_HOSTS"] ?? "").Split(';',
            StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];
        if (hosts.Length == 0 && (proxy is not null || beyond.Count > 0))
            throw new InvalidOperationException(
                "The site would answer to any name. Say in UMBICK_HOSTS by which names it is reached, parted by semicolons.");
        return new Transport(proxy, [.. hosts, .. ThisMachine],
            proxy is not null || addresses.TrueForAll(each => each.Scheme == Uri.UriSchemeHttps));
    }

    /// <summary>What a cookie is called: where TLS is sure, by a name that no other host can set.</summary>
    public string CookieName(string name) => IsSecure ? $"__Host-{name}" : name;

    /// <summary>Whether cookies are sent by TLS alone.</summary>
    public CookieSecurePolicy CookiePolicy => IsSecure ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;

    /// <summary>Adds what the site needs for it.</summary>
    public void AddTo(IServiceCollection services)
    {
        services.Configure<HostFilteringOptions>(options => options.AllowedHosts = [.. Hosts]);
        services.AddHsts(options => options.MaxAge = TimeSpan.FromDays(365));
        if (Proxy is null) return;
        services.Configure<ForwardedHeadersOptions>(options =>
        {
            options.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
            options.KnownIPNetworks.Clear();
            options.KnownProxies.Clear();
            options.KnownProxies.Add(Proxy);
        });
    }

    /// <summary>Uses it, before anything else.</summary>
    public void UseIn(IApplicationBuilder app)
    {
        if (Proxy is not null) app.UseForwardedHeaders();
        app.UseHostFiltering();
        if (Proxy is { } proxy)
            app.Use((context, next) => context.Request.IsHttps || IsAsked(context.Request.Path) ? next(context) : Refuse(context, proxy));
        if (IsSecure) app.UseHsts();
    }

    /// <summary>Whoever looks whether the site is well comes from this machine, and through no proxy.</summary>
    private static bool IsAsked(PathString path) => path == "/alive" || path == "/in-service" || path == "/ready"
        || path == "/healthz";

    /// <summary>
    /// A request that the proxy did not pass on, or an address that is not the proxy's: no page could set a cookie for it.
    /// </summary>
    private static Task Refuse(HttpContext context, IPAddress proxy)
    {
        context.Response.StatusCode = StatusCodes.Status421MisdirectedRequest;
        context.Response.ContentType = "text/plain; charset=utf-8";
        var from = context.Connection.RemoteIpAddress is { } address ? address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address : null;
        return context.Response.WriteAsync(Equals(from, proxy)
            ? "The proxy does not say that this request came by TLS: it has to send X-Forwarded-Proto."
            : $"This request came from {from}, and not through the proxy that Umbick was started with, {proxy}. Start it again with the "
            + $"proxy’s own address.");
    }

    private static bool IsHere(string host) => ThisMachine.Contains(host, StringComparer.OrdinalIgnoreCase)
        || (IPAddress.TryParse(host, out var address) && IPAddress.IsLoopback(address));
}
