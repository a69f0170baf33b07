
namespace Umbick.Rows;

/// <summary>An item that was read from a file, with its answer.</summary>
public sealed record FiledAnswer(AskedItem Asked, AnswerRow Answer);
