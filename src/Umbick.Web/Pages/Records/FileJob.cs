using Umbick.Casework.Files;

namespace Umbick.Web.Pages.Records;

/// <summary>A file that was sent: first it is only read, then, when that is wanted, taken in.</summary>
public sealed class FileJob(FileJobId id, SchoolId school, PersonId person, string path, string name, DateTime at) : IProgress<int>
{
    public FileJobId Id => id;

    public SchoolId School => school;

    public PersonId Person => person;

    /// <summary>Where it lies until it is done with.</summary>
    public string Path => path;

    /// <summary>What it was called.</summary>
    public string Name => name;

    public DateTime At => at;

    /// <summary>What its lines are, in the plural.</summary>
    public string What { get; set; } = "answers";

    /// <summary>How many lines it has, and how many are done.</summary>
    public int Lines { get; set; }

    public int Done { get; private set; }

    /// <summary>Whether it is being read or taken in now.</summary>
    public bool Running { get; set; } = true;

    /// <summary>Whether it was only read so far.</summary>
    public bool DryRun { get; set; } = true;

    /// <summary>The report; null while the job runs and when it failed.</summary>
    public ImportReport? Report { get; set; }

    void IProgress<int>.Report(int value) => Done = value;
}
