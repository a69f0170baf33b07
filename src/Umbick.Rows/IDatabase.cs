namespace Umbick.Rows;

/// <summary>Work inside a school, in one transaction each.</summary>
public interface IDatabase
{
    /// <summary>Does some work inside one school, as a whole or not at all.</summary>
    Task<T> InSchool<T>(SchoolId school, Func<SchoolConnection, Task<T>> work, CancellationToken cancel = default);

    /// <summary>Does some work inside one school, as a whole or not at all.</summary>
    Task InSchool(SchoolId school, Func<SchoolConnection, Task> work, CancellationToken cancel = default);

    /// <summary>Whether this is a database of demonstration data.</summary>
    Task<bool> IsDemo(CancellationToken cancel = default);
}
