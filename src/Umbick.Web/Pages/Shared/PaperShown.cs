using Umbick.Drawing;

namespace Umbick.Web.Pages;

/// <summary>Pages as they will be printed, and where their PDF is.</summary>
/// <param name="Pages">The pages.</param>
/// <param name="Size">The paper that is shown.</param>
/// <param name="Pdfs">What each PDF is called, and its address without the paper's size.</param>
public sealed record PaperShown(IReadOnlyList<PaperPage> Pages, PaperSize Size, params (string Name, string Path)[] Pdfs)
{
    /// <summary>The address of a PDF on some paper; the path names its handler.</summary>
    public static string On(string path, PaperSize size) => $"{path}&size={size.Id}";
}
