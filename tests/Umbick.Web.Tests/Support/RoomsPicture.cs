using System.Globalization;
using System.Text;
using System.Xml.Linq;

namespace Umbick.Web.Tests;

/// <summary>The projects and who knows whom, drawn from the references that they state: whoever is known stands lower.</summary>
public static class RoomsPicture
{
    private const int Width = 150, Height = 44, Across = 190, Down = 92;

    private static readonly Dictionary<string, string> What = new()
    {
        ["Core"] = "the job, pure",
        ["Rows"] = "what is kept",
        ["Store"] = "its SQL",
        ["Simulation"] = "made-up children",
        ["Training"] = "practice for adults",
        ["Casework"] = "the use cases",
        ["Hosting"] = "sign-in, keys, health",
        ["Drawing"] = "clocks and paper",
        ["Planner"] = "groups for a term",
        ["Demo"] = "the made-up school",
        ["Web"] = "pages",
        ["Cli"] = "the launcher's verbs",
    };

    /// <summary>Where the picture stands, from the root.</summary>
    public const string Path = "docs/rooms.svg";

    /// <summary>The picture, as text.</summary>
    /// <param name="root">The folder of the whole.</param>
    public static string Draw(string root)
    {
        var knows = Directory.EnumerateFiles(System.IO.Path.Combine(root, "src"), "*.csproj", SearchOption.AllDirectories)
            .Order(StringComparer.Ordinal).ToDictionary(Room, References);
        int Level(string room) => knows[room].Select(known => Level(known) + 1).DefaultIfEmpty().Max();
        var levels = knows.Keys.GroupBy(Level).OrderByDescending(level => level.Key).ToList();
        var at = levels.SelectMany((level, row) => level.Select((room, column) =>
            (Room: room, X: 20 + (column * Across) + (level.Count() == 1 ? Across / 2 : 0), Y: 20 + (row * Down))))
                .ToDictionary(place => place.Room);
        var svg = new StringBuilder();
        svg.Append(CultureInfo.InvariantCulture,
            $"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {20 + (2 * Across)} {levels.Count * Down}\"");
        svg.Append(" font-family=\"sans-serif\" font-size=\"13\" role=\"img\" aria-label=\"The projects, and who knows whom\">\n");
        svg.Append("<rect width=\"100%\" height=\"100%\" fill=\"#fff\"/>\n");
        foreach (var (room, known) in knows.SelectMany(room => room.Value.Select(known => (room.Key, known))))
        {
            var (from, to) = (at[room], at[known]);
            svg.Append(CultureInfo.InvariantCulture,
                $"<line x1=\"{from.X + (Width / 2)}\" y1=\"{from.Y + Height}\" x2=\"{to.X + (Width / 2)}\" y2=\"{to.Y}\"");
            svg.Append(" stroke=\"#57534e\"/>\n");
        }
        foreach (var (room, x, y) in at.Values)
        {
            svg.Append(CultureInfo.InvariantCulture,
                $"<rect x=\"{x}\" y=\"{y}\" width=\"{Width}\" height=\"{Height}\" rx=\"4\" fill=\"#fff\" stroke=\"#1c1917\"/>");
            svg.Append(CultureInfo.InvariantCulture, $"<text x=\"{x + 10}\" y=\"{y + 18}\" font-weight=\"bold\">{room}</text>");
            svg.Append(CultureInfo.InvariantCulture, $"<text x=\"{x + 10}\" y=\"{y + 35}\">{What[room]}</text>\n");
        }
        return svg.Append("</svg>\n").ToString();
    }

    private static string Room(string project) => System.IO.Path.GetFileNameWithoutExtension(project)["Umbick.".Length..];

    private static List<string> References(string project) =>
        [.. XDocument.Load(project).Descendants("ProjectReference").Select(reference => Room(reference.Attribute("Include")!.Value))];
}
