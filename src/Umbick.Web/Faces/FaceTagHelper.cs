using Umbick.Drawing;
using Microsoft.AspNetCore.Razor.TagHelpers;
using Umbick.Core.Teaching;

namespace Umbick.Web.Faces;

/// <summary><c>&lt;clock-face of="…"/&gt;</c>: a face on a page.</summary>
[HtmlTargetElement("clock-face", TagStructure = TagStructure.WithoutEndTag)]
public sealed class FaceTagHelper(RequestPreferences preferences) : TagHelper
{
    /// <summary>The face to draw.</summary>
    public Face Of { get; set; } = new(FaceSize.Mini);

    /// <summary>How it is drawn, where a page of many children shows the clock of one; else as everything on the page is.</summary>
    public TeachingPreferences? In { get; set; }

    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        output.TagName = null;
        output.Content.SetHtmlContent(FaceSvg.Draw(Of, In ?? preferences.Teaching));
    }
}
