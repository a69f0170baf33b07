namespace Umbick.Drawing;

/// <summary>A part of a picture. Its style names what it is; a screen and paper each say how that looks.</summary>
/// <param name="Style">What it is.</param>
public abstract record Shape(string Style);

/// <summary>A disc or a ring.</summary>
/// <param name="Style">What it is.</param>
/// <param name="X">Its middle.</param>
/// <param name="Y">Its middle, downwards.</param>
/// <param name="Radius">Its radius.</param>
public sealed record Disc(string Style, double X, double Y, double Radius) : Shape(Style);

/// <summary>A straight line.</summary>
/// <param name="Style">What it is.</param>
/// <param name="FromX">Where it begins.</param>
/// <param name="FromY">Where it begins, downwards.</param>
/// <param name="ToX">Where it ends.</param>
/// <param name="ToY">Where it ends, downwards.</param>
public sealed record Line(string Style, double FromX, double FromY, double ToX, double ToY) : Shape(Style);

/// <summary>A closed outline with straight sides.</summary>
/// <param name="Style">What it is.</param>
/// <param name="Corners">Its corners.</param>
/// <param name="Turned">How far it is turned about the origin, in degrees clockwise.</param>
public sealed record Outline(string Style, IReadOnlyList<(double X, double Y)> Corners, double Turned = 0) : Shape(Style);

/// <summary>A piece of a disc about the origin.</summary>
/// <param name="Style">What it is.</param>
/// <param name="Radius">Its radius.</param>
/// <param name="From">Where it begins, in degrees clockwise from the top.</param>
/// <param name="Sweep">How far it goes on, in degrees, 0 to 180.</param>
public sealed record Sector(string Style, double Radius, double From, double Sweep) : Shape(Style);

/// <summary>A rectangle with its sides upright.</summary>
/// <param name="Style">What it is.</param>
/// <param name="X">Its left side.</param>
/// <param name="Y">Its top.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
public sealed record Box(string Style, double X, double Y, double Width, double Height) : Shape(Style);

/// <summary>A line of text.</summary>
/// <param name="Style">What it is, which says how large it is and which point of it is given.</param>
/// <param name="X">Where it stands.</param>
/// <param name="Y">Where it stands, downwards.</param>
/// <param name="Words">The text.</param>
public sealed record Text(string Style, double X, double Y, string Words) : Shape(Style);

/// <summary>Shapes that are put somewhere together: made larger or smaller, then turned, then moved.</summary>
/// <param name="X">Where their origin comes.</param>
/// <param name="Y">Where their origin comes, downwards.</param>
/// <param name="Scale">How many times larger they become.</param>
/// <param name="Shapes">The shapes.</param>
/// <param name="Turned">How far they are turned, in degrees clockwise.</param>
public sealed record Group(double X, double Y, double Scale, IReadOnlyList<Shape> Shapes, double Turned = 0) : Shape("");
