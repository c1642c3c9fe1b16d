/** What was left as it is, each with the reason. */
export const WithReasons = ({ list }: { list: readonly { what: string; why: string }[] }) => (
  <ul className="mb-0">
    {list.map(({ what, why }, i) => (
      <li key={i}>
        {what}. <span className="soft">{why}</span>
      </li>
    ))}
  </ul>
);
