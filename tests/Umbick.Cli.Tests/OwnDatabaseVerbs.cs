namespace Umbick.Cli.Tests;

/// <summary>Verbs on a database of a test's own.</summary>
internal static class OwnDatabaseVerbs
{
    extension(OwnDatabase database)
    {
        /// <summary>Runs a verb on it.</summary>
        public Task<VerbRun> Run(params string[] arguments) => VerbRun.Run(database.Settings, arguments);

        /// <summary>Runs a verb that can write no file of more than so many blocks of 1,024 bytes.</summary>
        public Task<VerbRun> RunWithFilesUpTo(int blocks, params string[] arguments) =>
            VerbProcess.RunWithFilesUpTo(blocks, database.Settings, arguments);

        /// <summary>Starts a verb on it as a process of its own.</summary>
        public System.Diagnostics.Process Start(params string[] arguments) => VerbProcess.Start(database.Settings, arguments);

        private Dictionary<string, string> Settings =>
            new() { ["UMBICK_OWNER"] = database.Owner, ["UMBICK_BACKUP"] = database.Backup };
    }
}
