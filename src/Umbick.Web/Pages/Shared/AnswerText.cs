using Umbick.Core.Clocks;

namespace Umbick.Web.Pages;

/// <summary>An answer as a child or a teacher reads it: words in full, figures in the school's style.</summary>
public static class AnswerText
{
    public static string Of(Answer answer, Wording wording) =>
        answer is WordsAnswer words ? wording.Words(words.Time) : answer.Short(wording);
}
