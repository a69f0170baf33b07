namespace Umbick.Rows;

/// <summary>To whom a device goes back that was handed to a child.</summary>
/// <param name="Person">Who handed it over.</param>
/// <param name="Stamp">Their account as it stood then: with a new password the way is shut.</param>
/// <param name="Ends">When their own session would have been over.</param>
public sealed record WayBack(PersonId Person, string Stamp, DateTime Ends)
{
    /// <summary>So many wrong figures are heard after each time a device was handed over.</summary>
    public const int MostTries = 5;
}

/// <summary>A try at somebody's six figures that was counted.</summary>
/// <param name="Person">Whose they are.</param>
/// <param name="Left">How many tries are left after it.</param>
/// <param name="Ends">When their session would have been over.</param>
public sealed record CountedPin(PersonId Person, int Left, DateTime Ends);
