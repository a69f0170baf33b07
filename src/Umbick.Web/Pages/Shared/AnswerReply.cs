namespace Umbick.Web.Pages;

/// <summary>
/// The outcome of an answer, told in a header that names it: only then may the browser let go of it. It goes out with the page, so after
/// the commit.
/// </summary>
public static class AnswerReply
{
    private const string Header = "Umbick-Answer", Queue = "Umbick-Queue";

    /// <summary>The answer is in the database, by this sending or by one before.</summary>
    public static void Kept(this HttpResponse response, AnswerId answer) => response.Headers[Header] = $"kept {answer}";

    /// <summary>The answer is not in the database and never will be under this id; the reply says why.</summary>
    /// <remarks>To the queue it is a reply like any other, with its status beside it: what is ordinary is no error.</remarks>
    public static void Refused(this HttpResponse response, AnswerId answer)
    {
        response.Headers[Header] = $"refused {answer}";
        if (!response.HttpContext.Request.Headers.ContainsKey(Queue)) return;
        response.OnStarting(() =>
        {
            response.Headers[Header] = $"refused {answer} {response.StatusCode}";
            response.StatusCode = StatusCodes.Status200OK;
            return Task.CompletedTask;
        });
    }

    /// <summary>Whether a script asks, which takes a part of a page, and no other page in its place.</summary>
    public static bool IsScripted(this HttpRequest request) => request.Headers.ContainsKey("HX-Request")
        || request.Headers.ContainsKey(Queue);
}
