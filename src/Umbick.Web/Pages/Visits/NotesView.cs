using Umbick.Casework;
using Umbick.Core.Teaching;

namespace Umbick.Web.Pages.Visits;

/// <summary>What can be noted of a child by one press.</summary>
/// <param name="View">The visit.</param>
/// <param name="Child">The child.</param>
/// <param name="Kind">What the notes are about.</param>
public sealed record NotesView(VisitView View, ChildInVisit Child, VisitNoteKind Kind);
