DROP TABLE pull_counts
