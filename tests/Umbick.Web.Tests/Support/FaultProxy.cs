using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Logging;

namespace Umbick.Web.Tests;

/// <summary>
/// What lies between a tablet and the site: one address before one site or several, which goes to either in turn and now and then does what
/// networks and servers do.
/// </summary>
public sealed class FaultProxy : IAsyncDisposable
{
    /// <summary>
    /// What may befall a write: it never arrives, its reply is lost after the commit, it arrives twice, it meets a session that is over, a
    /// fault, a page of somebody else.
    /// </summary>
    public static readonly string[] All = ["lost", "reply-lost", "doubled", "signed-out", "500", "page"];

    private static readonly string[] NotPassedOn = ["Host", "Transfer-Encoding", "Connection", "Keep-Alive"];

    private readonly WebApplication _app;
    private readonly HttpClient _client =
        new(new SocketsHttpHandler { AllowAutoRedirect = false, UseCookies = false, PooledConnectionLifetime = TimeSpan.FromSeconds(5) });
    private readonly Random _random;
    private readonly CancellationTokenSource _over = new();
    private Uri[] _sites;
    private int _turn;

    private FaultProxy(WebApplication app, Uri address, Uri[] sites, Random random) => (_app, Address, _sites, _random) =
        (app, address, sites, random);

    public Uri Address { get; }

    /// <summary>The share of writes to which something happens, 0 to 1.</summary>
    public double Share { get; set; }

    /// <summary>What happens to every answer until further notice; null for nothing.</summary>
    public string? Always { get; set; }

    /// <summary>How many faults there were of each kind.</summary>
    public Dictionary<string, int> Counted { get; } = All.ToDictionary(fault => fault, _ => 0);

    /// <summary>How many writes went through, whatever happened to them.</summary>
    public int Writes { get; private set; }

    public static async Task<FaultProxy> Start(IEnumerable<Uri> sites, Random random)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        var address = RunningSite.FreeAddress();
        builder.WebHost.UseUrls(address.ToString());
        var proxy = new FaultProxy(builder.Build(), address, [.. sites], random);
        proxy._app.Run(proxy.Pass);
        await proxy._app.StartAsync();
        return proxy;
    }

    /// <summary>From now on these are the sites behind it.</summary>
    public void Lead(params Uri[] sites) => _sites = sites;

    public async ValueTask DisposeAsync()
    {
        await _over.CancelAsync();
        await _app.StopAsync();
        await _app.DisposeAsync();
        _client.Dispose();
        _over.Dispose();
    }

    private async Task Pass(HttpContext context)
    {
        var body = new MemoryStream();
        await context.Request.Body.CopyToAsync(body, context.RequestAborted);
        var fault = FaultOf(context.Request);
        if (fault is "lost" or "hang" or "500" or "page")
        {
            await Fail(context, fault);
            return;
        }
        try
        {
            if (fault == "doubled") (await Send(context.Request, body.ToArray(), signedIn: true)).Dispose();
            using var answer = await Send(context.Request, body.ToArray(), signedIn: fault != "signed-out");
            if (fault == "reply-lost") context.Abort();
            else await Copy(answer, context.Response);
        }
        catch (Exception error) when (error is HttpRequestException or IOException or TaskCanceledException)
        {
            context.Abort();
        }
    }

    private string? FaultOf(HttpRequest request)
    {
        if (!HttpMethods.IsPost(request.Method) || !request.Headers.ContainsKey("Umbick-Queue")) return null;
        lock (_random)
        {
            Writes++;
            if (Always is not null || Share == 0 || _random.NextDouble() >= Share) return Always;
            var fault = All[_random.Next(All.Length)];
            Counted[fault]++;
            return fault;
        }
    }

    private async Task Fail(HttpContext context, string fault)
    {
        if (fault == "hang") await Task.WhenAny(Task.Delay(Timeout.Infinite, context.RequestAborted),
            Task.Delay(Timeout.Infinite, _over.Token));
        if (fault is "hang" or "lost")
        {
            context.Abort();
            return;
        }
        context.Response.StatusCode = fault == "500" ? StatusCodes.Status500InternalServerError : StatusCodes.Status200OK;
        await context.Response.WriteAsync("<!doctype html><title>A page of somebody else</title><div id=\"turn\"></div>");
    }

    private async Task<HttpResponseMessage> Send(HttpRequest request, byte[] body, bool signedIn)
    {
        var site = _sites[Interlocked.Increment(ref _turn) % _sites.Length];
        using var sent = new HttpRequestMessage(new HttpMethod(request.Method), new Uri(site, request.Path + request.QueryString));
        if (body.Length > 0) sent.Content = new ByteArrayContent(body);
        foreach (var (name, value) in request.Headers.Where(header =>
            !NotPassedOn.Contains(header.Key) && (signedIn || header.Key != "Cookie")))
        {
            if (!sent.Headers.TryAddWithoutValidation(name, value.ToArray()))
                sent.Content?.Headers.TryAddWithoutValidation(name, value.ToArray());
        }
        return await _client.SendAsync(sent);
    }

    private static async Task Copy(HttpResponseMessage answer, HttpResponse response)
    {
        response.StatusCode = (int)answer.StatusCode;
        foreach (var (name, value) in answer.Headers.Concat(answer.Content.Headers).Where(header => !NotPassedOn.Contains(header.Key)))
            response.Headers[name] = value.ToArray();
        if (answer.StatusCode is not (System.Net.HttpStatusCode.NoContent or System.Net.HttpStatusCode.NotModified))
            await response.Body.WriteAsync(await answer.Content.ReadAsByteArrayAsync());
    }
}
