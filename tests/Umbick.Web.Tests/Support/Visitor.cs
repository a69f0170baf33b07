using System.Text;
using System.Net;
using System.Net.Sockets;
using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;

namespace Umbick.Web.Tests;

/// <summary>Somebody at the site without a browser: pages are fetched, forms are sent as they stand.</summary>
public sealed partial class Visitor : IDisposable
{
    /// <summary>Comes to a site.</summary>
    /// <param name="address">Where it is.</param>
    /// <param name="from">The address that they come from: one of this machine's own; null for the usual one.</param>
    public Visitor(Uri address, string? from = null)
    {
        _cookies = new CookieContainer();
        var handler = new SocketsHttpHandler { AllowAutoRedirect = false, CookieContainer = _cookies };
        if (from is not null) handler.ConnectCallback =
            (context, cancel) => Connect(IPAddress.Parse(from), context.DnsEndPoint.Port, cancel);
        _client = new HttpClient(handler) { BaseAddress = address };
    }

    private static async ValueTask<Stream> Connect(IPAddress from, int port, CancellationToken cancel)
    {
        var socket = new Socket(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
        socket.Bind(new IPEndPoint(from, 0));
        await socket.ConnectAsync(IPAddress.Loopback, port, cancel);
        return new NetworkStream(socket, ownsSocket: true);
    }

    public Visitor(Site site) : this(site.Address)
    {
    }

    private readonly CookieContainer _cookies;
    private readonly HttpClient _client;

    public IEnumerable<Cookie> Cookies => _cookies.GetAllCookies();

    /// <summary>Takes somebody else's cookies, as they are now.</summary>
    public void Take(IEnumerable<Cookie> cookies)
    {
        foreach (var cookie in cookies) _cookies.Add(new Cookie(cookie.Name, cookie.Value, cookie.Path, cookie.Domain));
    }

    /// <summary>Loses every cookie, as when a session ends.</summary>
    public void Forget()
    {
        foreach (var cookie in Cookies) cookie.Expired = true;
    }

    public static Task<Visitor> TeacherOf(Site site, string userName, string password = Site.Password) =>
        TeacherOf(site.Address, userName, password);

    public static async Task<Visitor> TeacherOf(Uri address, string userName, string password = Site.Password)
    {
        var visitor = new Visitor(address);
        var answer = await visitor.Send("/", "Sign in", new() { ["userName"] = userName, ["password"] = password });
        await AssertSentTo("/day", answer);
        return visitor;
    }

    /// <summary>Somebody who runs what a teacher has prepared.</summary>
    public static async Task<Visitor> AssistantOf(Site site, SchoolId school)
    {
        var visitor = new Visitor(site);
        var person = await site.Colleague(school, Rows.PersonRole.Assistant);
        await AssertSentTo("/helping",
            await visitor.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Site.Password }));
        return visitor;
    }

    /// <summary>Somebody who works at two schools and is at one of them now.</summary>
    public static async Task<Visitor> AtOneOfTwo(Site site, SchoolId at, SchoolId other)
    {
        var visitor = new Visitor(site);
        var person = await site.Colleague(at, Rows.PersonRole.Teacher, inCharge: true);
        await site.App.InSchool(other,
            connection => Store.People.Employ(connection, person.Id, "Knot", Rows.PersonRole.Teacher, inCharge: true));
        await AssertSentTo("/schools",
            await visitor.Send("/", "Sign in", new() { ["userName"] = person.UserName, ["password"] = Site.Password }));
        var (action, fields) = await visitor.Form("/schools", "Go on");
        fields["school"] = at.ToString();
        await AssertSentTo("/day", await visitor.Post(action, fields));
        return visitor;
    }

    /// <summary>That an answer sends its visitor on to a page; if not, what it said instead.</summary>
    public static async Task AssertSentTo(string path, HttpResponseMessage answer)
    {
        if (answer.Headers.Location is { } location) Assert.Equal(path, location.OriginalString);
        else Assert.Fail($"{(int)answer.StatusCode} and not sent to {path}: {(await Read(answer)).Body?.TextContent}");
    }

    public Task<HttpResponseMessage> Send(HttpRequestMessage request) => _client.SendAsync(request);

    public Task<HttpResponseMessage> Get(string path) => _client.GetAsync(new Uri(path, UriKind.Relative));

    public async Task<IHtmlDocument> Page(string path)
    {
        var answer = await Get(path);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await Read(answer);
    }

    public static async Task<IHtmlDocument> Read(HttpResponseMessage answer)
    {
        var page = await new HtmlParser().ParseDocumentAsync(await answer.Content.ReadAsStringAsync());
        // As it is shown: a line's end in the source is a space.
        foreach (var text in page.Descendants<IText>().Where(text => text.ParentElement is not IHtmlTextAreaElement))
            text.Data = Spaces().Replace(text.Data, " ");
        return page;
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();

    /// <summary>The fields of the form on a page whose press says this.</summary>
    public async Task<(string Action, Dictionary<string, string> Fields)> Form(string path, string press)
    {
        var page = await Page(path);
        var form = page.Forms.First(form =>
            form.QuerySelectorAll("button").Any(button => button.TextContent.Contains(press, StringComparison.Ordinal)));
        var fields = form.QuerySelectorAll("input").OfType<IHtmlInputElement>()
            .Where(input => input.Name is not null && input.Type != "radio")
            .GroupBy(input => input.Name!).ToDictionary(group => group.Key, group => group.First().Value);
        foreach (var text in form.QuerySelectorAll("textarea")) fields[text.GetAttribute("name")!] = text.TextContent;
        return (form.GetAttribute("action") ?? path, fields);
    }

    /// <summary>Fills a form and sends it.</summary>
    public async Task<HttpResponseMessage> Send(string path, string press, Dictionary<string, string>? values = null)
    {
        var (action, fields) = await Form(path, press);
        foreach (var (name, value) in values ?? []) fields[name] = value;
        return await Post(action, fields);
    }

    public Task<HttpResponseMessage> Post(string path, Dictionary<string, string> fields) =>
        _client.PostAsync(new Uri(path, UriKind.Relative), new FormUrlEncodedContent(fields));

    /// <summary>The same, where a field may stand several times.</summary>
    public Task<HttpResponseMessage> Post(string path, IEnumerable<KeyValuePair<string, string>> fields) =>
        _client.PostAsync(new Uri(path, UriKind.Relative), new FormUrlEncodedContent(fields));

    /// <summary>Where a form of a page is sent.</summary>
    public static string ActionOf(IHtmlFormElement form, string path) => form.GetAttribute("action") ?? path;

    /// <summary>The fields of a form as it stands.</summary>
    public static List<KeyValuePair<string, string>> FieldsOf(IHtmlFormElement form) =>
    [
        .. form.QuerySelectorAll("input, select, textarea")
            .Where(field => field.GetAttribute("name") is { Length: > 0 } && !field.HasAttribute("disabled")
                && (field is not IHtmlInputElement { Type: "checkbox" or "radio" } || field.HasAttribute("checked")))
            .Select(field => new KeyValuePair<string, string>(field.GetAttribute("name")!, field switch
            {
                IHtmlInputElement input => input.Value,
                IHtmlSelectElement select => select.Value ?? "",
                _ => field.TextContent,
            })),
    ];

    /// <summary>Sends a form as htmx does, for the part that changes.</summary>
    public Task<HttpResponseMessage> Swap(string path, Dictionary<string, string> fields) => Swap(path, fields.AsEnumerable());

    /// <summary>The same, where a field may stand several times.</summary>
    public Task<HttpResponseMessage> Swap(string path, IEnumerable<KeyValuePair<string, string>> fields)
    {
        var request = new HttpRequestMessage(HttpMethod.Post, new Uri(path, UriKind.Relative))
        { Content = new FormUrlEncodedContent(fields) };
        request.Headers.Add("HX-Request", "true");
        return _client.SendAsync(request);
    }

    /// <summary>Sends a file by the form of <c>/files</c>.</summary>
    public async Task<HttpResponseMessage> SendFile(string handler, string name, string text, Dictionary<string, string>? more = null)
    {
        var page = await Page("/files");
        var token = page.Forms.OfType<IHtmlFormElement>()
            .Select(form => form.QuerySelector("[name=__RequestVerificationToken]")?.GetAttribute("value"))
            .First(value => value is not null)!;
        using var content = new MultipartFormDataContent { { new StringContent(token), "__RequestVerificationToken" },
            { new ByteArrayContent(Encoding.UTF8.GetBytes(text)), "file", name } };
        foreach (var (field, value) in more ?? []) content.Add(new StringContent(value), field);
        return await _client.PostAsync(new Uri(handler.Length == 0 ? "/files" : $"/files?handler={handler}", UriKind.Relative), content);
    }

    public void Dispose() => _client.Dispose();
}
