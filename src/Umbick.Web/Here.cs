using Umbick.Core.Clocks;
using Umbick.Core.Teaching;

namespace Umbick.Web;

/// <summary>How clocks are taught, said and drawn in this request: the school's manner, or a child's where the page is hers.</summary>
public sealed class Here
{
    public Manner Manner { get; set; } = Manner.Usual;

    public Wording Wording => Manner.Wording;
}
