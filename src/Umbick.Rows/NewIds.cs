using Umbick.Core.Ids;

namespace Umbick.Rows;

/// <summary>Makes ids.</summary>
public static class NewIds
{
    extension<TKind>(Id<TKind>)
    {
        /// <summary>A new id, higher than those made before it.</summary>
        public static Id<TKind> New() => Guid.CreateVersion7();

        /// <summary>A new id, higher than those made before it by this clock.</summary>
        public static Id<TKind> New(TimeProvider clock) => Guid.CreateVersion7(clock.GetUtcNow());
    }
}
