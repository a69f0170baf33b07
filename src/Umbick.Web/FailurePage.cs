using System.Net.Mime;
using Umbick.Web.Pages;

namespace Umbick.Web;

/// <summary>
/// What is answered when something fails that nobody expected. It asks nothing of anybody, so it comes also when the database is down; a
/// script gets one line in place of a page.
/// </summary>
public static class FailurePage
{
    private const string Sentence = "Something went wrong here. Every answer that was taken is kept.";

    private const string Page = $"""
        <!doctype html>
        <html lang="en-GB">
        <head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Something went wrong ·
          Umbick</title><link rel="stylesheet" href="/built/umbick.css"></head>
        <body><div class="page"><main class="max-w-xl mt-8"><h1 class="text-34">Something went wrong here.</h1>
        <p class="mt-3 text-20">Every answer that was taken is kept. Wait a moment
          and open the page again; if it happens twice, tell whoever runs Umbick.</p>
        <p class="mt-6"><a class="link" href="/">To the beginning</a></p></main></div></body>
        </html>
        """;

    /// <summary>Answers for an exception.</summary>
    public static void Answer(IApplicationBuilder app) => app.Run(context =>
    {
        var scripted = context.Request.IsScripted();
        context.Response.StatusCode = StatusCodes.Status500InternalServerError;
        context.Response.ContentType = $"{(scripted ? MediaTypeNames.Text.Plain : MediaTypeNames.Text.Html)}; charset=utf-8";
        return context.Response.WriteAsync(scripted ? Sentence : Page);
    });
}
