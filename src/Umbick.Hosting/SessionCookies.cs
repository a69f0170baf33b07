using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Umbick.Core.Teaching;

namespace Umbick.Hosting;

/// <summary>
/// A cookie names a session, which stands in the database and can be ended there: by signing out, by handing over, by taking a device back,
/// by removing somebody or giving them a new password. A cookie that was copied before is worth nothing then.
/// </summary>
public static class SessionCookies
{
    /// <summary>The longest that a teacher's session may last, and a child's.</summary>
    public static readonly TimeSpan Teachers = TimeSpan.FromHours(10), Childs = TimeSpan.FromHours(2);

    /// <summary>What carries a <see cref="WayBack"/> to where a child's session begins; it stands in no cookie.</summary>
    public const string Back = "back";

    private const string SessionClaim = "session";
    private const string StampClaim = "AspNet.Identity.SecurityStamp";

    /// <summary>Binds a cookie to its session.</summary>
    public static void BindToSession(this CookieAuthenticationOptions options, TimeSpan longest)
    {
        (options.ExpireTimeSpan, options.SlidingExpiration) = (longest, false);
        options.Events.OnSigningIn = Begin;
        options.Events.OnValidatePrincipal = Validate;
        options.Events.OnSigningOut = End;
    }

    private static async Task Begin(CookieSigningInContext context)
    {
        var (services, user) = (context.HttpContext.RequestServices, context.Principal!);
        var now = services.GetRequiredService<TimeProvider>().GetUtcNow().UtcDateTime;
        var (id, ends) = (SessionId.New(), now + context.Options.ExpireTimeSpan);
        // Whoever came back to a device by six figures stays no longer than they would have stayed.
        if (context.Properties.ExpiresUtc?.UtcDateTime is { } sooner && sooner < ends) ends = sooner;
        await services.GetRequiredService<Database>().InSchool(SchoolOf(user), async connection =>
        {
            if (!user.IsSignedIn())
            {
                await Sessions.BeginOfChild(connection, id, user.Child().Sitting, now, ends,
                    context.Properties.GetParameter<WayBack>(Back));
                return;
            }
            await Sessions.BeginOfPerson(connection, id, user.Person().Id, now, ends);
            await DoorTries.BeAtHome(connection, services.GetRequiredService<AddressHash>().HashOf(context.HttpContext));
            await Audit.Note(connection, user.Person().Id, user.CameByPin() ? AuditKinds.CameBack : AuditKinds.SignedIn, now);
        });
        ((ClaimsIdentity)user.Identity!).AddClaim(new Claim(SessionClaim, id.ToString()));
    }

    /// <summary>Asks whether the session is open; with a teacher's come the school's preferences, in the same query.</summary>
    private static async Task Validate(CookieValidatePrincipalContext context)
    {
        // The page that tells an error asks the database nothing.
        if (context.HttpContext.Request.Path.StartsWithSegments("/error")) return;
        var (services, user) = (context.HttpContext.RequestServices, context.Principal!);
        var now = services.GetRequiredService<TimeProvider>().GetUtcNow().UtcDateTime;
        if (SessionId.TryParse(user.FindFirstValue(SessionClaim), null, out var session)
            && await services.GetRequiredService<Database>().InSchool(SchoolOf(user), connection => user.IsSignedIn()
            ? IsOpen(connection, services.GetRequiredService<RequestPreferences>(), user, session, now)
            : Sessions.IsOpenToChild(connection, session, user.Child().Sitting, now))) return;
        context.RejectPrincipal();
    }

    private static async Task<bool> IsOpen(
        SchoolConnection connection, RequestPreferences preferences, ClaimsPrincipal user, SessionId session, DateTime now)
    {
        if (await Schools.SettingsAndDay(connection, now, session, user.Person().Id,
            user.Stamp()) is not { IsOpen: true } school) return false;
        (preferences.OfSchool, preferences.TimeZone, preferences.Today, preferences.Now) =
            (new TeachingPreferences(school.Settings), school.TimeZone, school.Today, school.Now);
        return true;
    }

    private static async Task End(CookieSigningOutContext context)
    {
        var services = context.HttpContext.RequestServices;
        if ((await context.HttpContext.AuthenticateAsync(context.Scheme.Name)).Principal is not { } user
            || !SessionId.TryParse(user.FindFirstValue(SessionClaim), null, out var session)) return;
        var now = services.GetRequiredService<TimeProvider>().GetUtcNow().UtcDateTime;
        await services.GetRequiredService<Database>().InSchool(SchoolOf(user), async connection =>
        {
            await Sessions.End(connection, session, now);
            if (user.IsSignedIn()) await Audit.Note(connection, user.Person().Id, AuditKinds.SignedOut, now);
        });
    }

    /// <summary>The session that a request goes by.</summary>
    public static SessionId Session(this ClaimsPrincipal user) => SessionId.Parse(user.FindFirstValue(SessionClaim)!);

    /// <summary>The account as it stood when the signed-in person's session began.</summary>
    public static string Stamp(this ClaimsPrincipal user) => user.FindFirstValue(StampClaim) ?? "";

    private static SchoolId SchoolOf(ClaimsPrincipal user) => user.IsSignedIn() ? user.Person().School : user.Child().School;
}
