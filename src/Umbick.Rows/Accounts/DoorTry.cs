
namespace Umbick.Rows;

/// <summary>A try at signing in, counted before it is heard.</summary>
/// <param name="Outcome">Whether it is heard.</param>
/// <param name="Number">Its number; null where it is not heard.</param>
/// <param name="WrongToday">How many there were within a day, this one with them.</param>
/// <param name="AtHome">Whether it comes from an address at which the school was within a day.</param>
public sealed record DoorTry(DoorOutcome Outcome, long? Number, long WrongToday, bool AtHome);
