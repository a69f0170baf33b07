using Umbick.Core.Clocks;

namespace Umbick.Casework;

/// <summary>One question of a sitting with the answer that stands.</summary>
/// <param name="Asked">What was asked.</param>
/// <param name="Given">The first answer that stands; null where none has been given.</param>
/// <param name="Answer">What was read in it; null where none has been given.</param>
/// <param name="IsRight">Whether it is right.</param>
public sealed record ItemResponse(AskedItem Asked, AnswerRow? Given, Answer? Answer, bool IsRight);
