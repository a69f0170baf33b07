using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Umbick.Web.Faces;

/// <summary><c>&lt;clock-face of="…"/&gt;</c>: a face on a page.</summary>
[HtmlTargetElement("clock-face", TagStructure = TagStructure.WithoutEndTag)]
public sealed class FaceTagHelper(Here here) : TagHelper
{
    /// <summary>The face to draw.</summary>
    public Face Of { get; set; } = new(FaceSize.Mini);

    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        output.TagName = null;
        output.Content.SetHtmlContent(FaceSvg.Draw(Of, here.Manner));
    }
}
