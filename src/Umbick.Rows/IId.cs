namespace Umbick.Rows;

/// <summary>The id of one kind of row: no id of another kind passes for it.</summary>
/// <typeparam name="TSelf">The kind.</typeparam>
public interface IId<TSelf> : IParsable<TSelf> where TSelf : struct, IId<TSelf>
{
    /// <summary>The id as it stands in the database.</summary>
    Guid Value { get; }

    /// <summary>The id that stands so in the database.</summary>
    static abstract TSelf Of(Guid value);
}
