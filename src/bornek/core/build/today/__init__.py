"""Today in the yard: what hands do now, what runs by itself, what is wanted twice, when all of it is done."""
