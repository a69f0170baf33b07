namespace Umbick.Rows;

/// <summary>A backup that was made.</summary>
public sealed record BackupMade(DateTime MadeAt, string FileName, long Bytes);
