using Umbick.Store;

namespace Umbick.Casework;

/// <summary>What classes say of clocks, as far as it was told.</summary>
public static class ClassWords
{
    /// <summary>The classes, by name.</summary>
    public static Task<IReadOnlyList<string>> Classes(SchoolConnection connection) => ClassTeachings.Names(connection);

    /// <summary>What a class says; null where nothing is known.</summary>
    public static Task<ClassTeaching?> Find(SchoolConnection connection, string className) => ClassTeachings.Find(connection, className);
}
