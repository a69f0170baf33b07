using System.Net;
using System.Text;

namespace Umbick.Web.Tests;

/// <summary>
/// What no page asks for is refused, and never breaks anything: unknown handlers, verbs, kinds of content, broken fields.
/// </summary>
public sealed class OddRequestTests(Site site) : IClassFixture<Site>
{
    private static readonly HttpStatusCode[] Refusals = [HttpStatusCode.BadRequest, HttpStatusCode.NotFound,
        HttpStatusCode.MethodNotAllowed, HttpStatusCode.UnsupportedMediaType];

    [Fact]
    public async Task An_unknown_handler_is_not_found_whoever_asks_for_it()
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await teacher.Form("/settings", "Keep these");
        foreach (var path in new[] { "/day", "/children", "/settings", "/clock", "/timetable", "/patterns", "/classes", "/ask", "/practise",
            "/explain" })
        {
            Assert.Equal(HttpStatusCode.NotFound, (await teacher.Get($"{path}?handler=none")).StatusCode);
            Assert.Equal(HttpStatusCode.NotFound, (await teacher.Post($"{path}?handler=none", fields)).StatusCode);
        }
    }

    [Theory]
    [InlineData("TRACE")]
    [InlineData("OPTIONS")]
    [InlineData("PUT")]
    [InlineData("PATCH")]
    [InlineData("DELETE")]
    [InlineData("BREW")]
    public async Task A_verb_that_no_page_takes_is_refused_with_the_headers(string verb)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        foreach (var path in new[] { "/day", "/settings", "/children", "/turn", "/", "/explain" })
        {
            using var request = new HttpRequestMessage(new HttpMethod(verb), path);
            var answer = await teacher.Send(request);
            // What may be asked is answered with nothing.
            if (verb == "OPTIONS" && answer.StatusCode == HttpStatusCode.OK) Assert.Empty(await answer.Content.ReadAsStringAsync());
            else Assert.True(Refusals.Append(HttpStatusCode.Redirect).Contains(answer.StatusCode), $"{verb} {path}: {answer.StatusCode}");
            Assert.Contains("default-src 'none'", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("application/json", "{\"a\":1")]
    [InlineData("text/xml", "<a>")]
    [InlineData("multipart/form-data", "nothing")]
    [InlineData("multipart/form-data; boundary=x", "--x\r\nContent-Disposition: form-data; name=\"child[\"\r\n\r\n1")]
    [InlineData("application/x-www-form-urlencoded", "child[=1&child[0=2&[]=3&=4&&child[9999999999]=5&slot.=6")]
    [InlineData("application/x-www-form-urlencoded; charset=bogus", "a=1")]
    public async Task What_is_no_form_is_refused(string kind, string content)
    {
        using var teacher = await Visitor.TeacherOf(site, site.TeacherOfA);
        var (_, fields) = await teacher.Form("/settings", "Keep these");
        foreach (var path in new[] { "/day", "/timetable?handler=slot", "/timetable?handler=holiday", "/settings",
            $"/children/{(await site.Child(site.A)).Id}?handler=say", "/visits/begin" })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, path)
            { Content = new ByteArrayContent(Encoding.UTF8.GetBytes(content)) };
            request.Content.Headers.TryAddWithoutValidation("Content-Type", kind);
            request.Headers.Add("RequestVerificationToken", fields["__RequestVerificationToken"]);
            var answer = await teacher.Send(request);
            // A form whose charset nobody knows is one without fields: nothing of it is kept.
            Assert.True(answer.StatusCode is HttpStatusCode.BadRequest or HttpStatusCode.UnsupportedMediaType
                || (answer.StatusCode == HttpStatusCode.Redirect && kind.Contains("bogus", StringComparison.Ordinal)),
                $"{path}: {answer.StatusCode}");
        }
    }
}
