using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Serilog;
using Umbick.Core.Diagnosis;
using Umbick.Casework;
using Umbick.Casework.Running;
using Umbick.Web;
using Umbick.Web.Pages;
using Umbick.Web.Security;

var builder = WebApplication.CreateBuilder(args);
builder.Services.AddSerilog(logs => logs
    .ReadFrom.Configuration(builder.Configuration)
    .MinimumLevel.Override("Microsoft.AspNetCore", Serilog.Events.LogEventLevel.Warning)
    // It warns of every page with a form that its no-store is kept, which is what is wanted.
    .MinimumLevel.Override("Microsoft.AspNetCore.Antiforgery", Serilog.Events.LogEventLevel.Error)
    .ToConsoleAnd(builder.Configuration["UMBICK_LOGS"]));

builder.Services.AddDatabase(builder.Configuration);
builder.Services.AddSingleton<ReadingModel>();
builder.Services.AddSingleton<Umbick.Web.Pages.Patterns.PatternFaces>();
builder.Services.AddSingleton<Umbick.Web.Pages.Trainer.TrainerTurns>();
builder.Services.AddSingleton(AheadClock.FromEnvironment());
builder.Services.AddSingleton<Asking>();
builder.Services.AddSingleton<Practising>();
builder.Services.AddSingleton<Visiting>();
builder.Services.AddSingleton<SecondDevices>();
builder.Services.AddSingleton<SheetsPrinted>();
builder.Services.AddSingleton<PaperEntry>();
builder.Services.AddSingleton<HomePages>();
builder.Services.AddSingleton<ClassScreening>();
builder.Services.AddSingleton<Umbick.Core.Grouping.IPlanSolver, PlannerProcess>();
builder.Services.AddSingleton<TermGroups>();
builder.Services.AddSingleton<ChildReports>();
builder.Services.AddSingleton<Deciding>();
builder.Services.AddScoped<RequestPreferences>();
builder.Services.AddSingleton<Demo>();
builder.Services.AddSingleton<Umbick.Casework.Files.FileReading>();
builder.Services.AddSingleton<Umbick.Web.Pages.Records.FileJobs>();
builder.Services.AddHostedService(services => services.GetRequiredService<Umbick.Web.Pages.Records.FileJobs>());
builder.Services.AddSingleton<SiteMeters>();
builder.Services.AddHostedService(services => services.GetRequiredService<SiteMeters>());
builder.Services.AddHostedService<WarmUp>();
builder.Services.AddSingleton<InService>();
builder.Services.AddHostedService(services => services.GetRequiredService<InService>());

// Tokens in forms are another text each time, so that nothing can be told of them by how a page is compressed.
builder.AddFormLimits();
builder.Services.AddResponseCompression(options => options.EnableForHttps = true);

var transport = Transport.From(builder.Configuration);
transport.AddTo(builder.Services);
SiteCertificate.AddTo(builder);

builder.Services.AddKeys(builder.Configuration);
builder.Services.AddAccounts();
builder.Services.AddAuthentication(IdentityConstants.ApplicationScheme)
    .AddCookie(IdentityConstants.ApplicationScheme, options =>
    {
        (options.Cookie.Name, options.Cookie.SecurePolicy) = (transport.CookieName("umbick"), transport.CookiePolicy);
        options.Cookie.SameSite = SameSiteMode.Lax;
        options.LoginPath = "/";
        options.BindToSession(SessionCookies.Teachers);
        TellScripts(options);
    })
    .AddCookie(IdentityConstants.TwoFactorUserIdScheme, options =>
    {
        // Who has typed a right password and not the code yet: it opens nothing but the page that asks for it.
        (options.Cookie.Name, options.Cookie.SecurePolicy) = (transport.CookieName("umbick.step"), transport.CookiePolicy);
        options.Cookie.SameSite = SameSiteMode.Strict;
        options.ExpireTimeSpan = TimeSpan.FromMinutes(5);
    })
    .AddCookie(Who.ChildScheme, options =>
    {
        (options.Cookie.Name, options.Cookie.SecurePolicy) = (transport.CookieName(Who.ChildScheme), transport.CookiePolicy);
        options.Cookie.SameSite = SameSiteMode.Strict;
        options.LoginPath = "/";
        options.BindToSession(SessionCookies.Childs);
        TellScripts(options);
    });
builder.Services.AddAuthorizationBuilder()
    // A page that says nothing is for nobody.
    .SetFallbackPolicy(new AuthorizationPolicyBuilder(IdentityConstants.ApplicationScheme).RequireAssertion(_ => false).Build())
    .AddPolicy(Who.Records, policy => policy.AddAuthenticationSchemes(IdentityConstants.ApplicationScheme).RequireRole(Who.TeacherRole))
    .AddPolicy(Who.Sittings,
    policy => policy.AddAuthenticationSchemes(IdentityConstants.ApplicationScheme).RequireRole(Who.TeacherRole, Who.AssistantRole))
    .AddPolicy(Who.InCharge, policy => policy.AddAuthenticationSchemes(IdentityConstants.ApplicationScheme).RequireRole(Who.InChargeRole)
        .RequireAssertion(context => !context.User.CameByPin()))
    .AddPolicy(Who.Files, policy => policy.AddAuthenticationSchemes(IdentityConstants.ApplicationScheme).RequireRole(Who.TeacherRole)
        .RequireAssertion(context => !context.User.CameByPin()))
    .AddPolicy(Who.SignedIn, policy => policy.AddAuthenticationSchemes(IdentityConstants.ApplicationScheme).RequireAuthenticatedUser())
    .AddPolicy(Who.ChildPolicy, policy => policy.AddAuthenticationSchemes(Who.ChildScheme).RequireAuthenticatedUser());
builder.Services.AddAntiforgery(options =>
    (options.Cookie.Name, options.Cookie.SecurePolicy) = (transport.CookieName("umbick.form"), transport.CookiePolicy));
builder.Services.AddRouting(options => options.LowercaseUrls = true);
builder.Services.AddRazorPages().AddMvcOptions(options =>
{
    options.Filters.Add<OnlyWhatIsHandled>();
    options.Filters.Add<DaysWithinYears>();
    options.Filters.Add<NoteOpenedRecords>();
});

var app = builder.Build();
if (builder.Configuration[AheadClock.Variable] is not null && !await app.Services.GetRequiredService<IDatabase>().IsDemo())
    throw new InvalidOperationException($"{AheadClock.Variable} is set: the clock would run ahead. Only the demonstration does that.");
if (builder.Configuration["UMBICK_KEYS"] is null && !await app.Services.GetRequiredService<IDatabase>().IsDemo())
    throw new InvalidOperationException(
        "UMBICK_KEYS, the certificate that wraps the cookie keys, is not set. Only the demonstration starts without one.");
await app.Services.GetRequiredService<SiteVersion>().Ask(CancellationToken.None);
if (app.Services.GetRequiredService<SiteVersion>() is { IsOther: true } version) throw new InvalidOperationException(version.InWords);
transport.UseIn(app);
app.UseRoundTrips();
app.UseSecurityHeaders();
app.UseExceptionHandler(FailurePage.Answer);
app.UseStatusCodePagesWithReExecute("/error/{0}");
app.UseResponseCompression();
app.UseRouting();
app.UseAuthentication();
app.UseNotThere();
app.UseAuthorization();
app.UseFormGuard();
app.MapGet("/alive", () => "alive").AllowAnonymous();
app.MapGet("/in-service", (InService site) => site.Answer()).AllowAnonymous();
foreach (var ready in new[] { "/ready", "/healthz" }) app.MapHealthChecks(ready).AllowAnonymous();
app.MapGet("/token", (IAntiforgery forms, HttpContext context) => forms.GetAndStoreTokens(context).RequestToken)
    .RequireAuthorization(Who.SignedIn);
app.MapStaticAssets().AllowAnonymous();
app.MapRazorPages().WithStaticAssets();
app.Run();

// A script that is not signed in is told so: a page in place of what it asked for would be taken for that.
static void TellScripts(CookieAuthenticationOptions options)
{
    options.Events.OnRedirectToLogin = context =>
    {
        if (context.Request.IsScripted()) context.Response.StatusCode = StatusCodes.Status401Unauthorized;
        else context.Response.Redirect(context.RedirectUri);
        return Task.CompletedTask;
    };
    // Somebody who is signed in and may not see it is not sent to sign in again.
    options.Events.OnRedirectToAccessDenied = context =>
    {
        context.Response.StatusCode = StatusCodes.Status403Forbidden;
        return Task.CompletedTask;
    };
}
