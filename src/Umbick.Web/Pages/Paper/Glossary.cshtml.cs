using Microsoft.AspNetCore.Authorization;
using Umbick.Casework;
using Umbick.Core.Clocks;
using Umbick.Core.Teaching;
using Umbick.Drawing;

namespace Umbick.Web.Pages.Paper;

/// <summary>The words that families and assistants meet, a clock each, in the wording of a class.</summary>
[Authorize(Who.Sittings)]
public sealed class GlossaryModel(IDatabase database) : SchoolPage(database)
{
    public IReadOnlyList<string> Classes { get; private set; } = [];

    /// <summary>What the class says; null where none was chosen, or nothing is known of it.</summary>
    public ClassTeaching? Teaching { get; private set; }

    /// <summary>The clock of a word.</summary>
    public static Face Drawn(GlossaryWord word) => new(FaceSize.Middle)
    {
        Hands = HandPositions.Showing(word.At),
        Only = word.Covered switch { Covered.Minute => OneHand.Hour, Covered.Hour => OneHand.Minute, _ => null },
        Label = $"A clock at {word.At}",
    };

    public Task OnGet([Microsoft.AspNetCore.Mvc.FromQuery(Name = "class")] string? className) => InSchool(async connection =>
    {
        Classes = await ClassWords.Classes(connection);
        Teaching = Classes.Contains(className) ? await ClassWords.Find(connection, className!) : null;
    });
}
