"""What is wrong or will be wrong with a build order, each in words with what to do."""
