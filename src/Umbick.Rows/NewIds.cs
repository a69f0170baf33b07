namespace Umbick.Rows;

/// <summary>Makes ids.</summary>
public static class NewIds
{
    /// <summary>A new id, higher than those made before it.</summary>
    public static TId NewId<TId>(this TimeProvider clock) where TId : struct, IId<TId> => TId.Of(Guid.CreateVersion7(clock.GetUtcNow()));
}
